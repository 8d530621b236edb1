import type { Entered } from '../journal/entered'
import type { Problem } from '../problem/problem'
import { AXES } from '../address/row'
import { endsOf } from '../quantities/contact-ends'
import type { DisplayedPosition } from '../quantities/displayed'
import { quantityKey } from '../quantities/quantities'
import { checkSheet } from '../sheet/check-sheet'
import { namesOf, type Names } from '../sheet/names'
import { lengthProblem, unknownName } from '../sheet/problems'
import { FACES } from '../touch/touch'
import type { AxisMarks, CheckOff, SetupDocument } from './document'
import type { SetupEvent } from './event'
import { rebaseOf } from './rebase'

/**
 * Everything that is wrong with a document of the right shape, in one pass: numbers that cannot be
 * read, sizes below zero, names that point nowhere, numbers given twice.
 */
export function checkDocument(document: SetupDocument): readonly Problem[] {
  const names = namesOf(document.sheet)
  return [
    ...checkSheet(document.sheet),
    ...readingProblems(document, names),
    ...document.keyIns.flatMap((keyIn) => [
      ...lengthProblem(`${at(keyIn)}.typed`, keyIn.typed),
      ...unknownName(`${at(keyIn)}.address`, keyIn.address, names.addresses),
    ]),
    ...document.readBacks.flatMap((readBack) => [
      ...lengthProblem(`${at(readBack)}.shown`, readBack.shown),
      ...unknownName(`${at(readBack)}.address`, readBack.address, names.addresses),
    ]),
    ...document.events.flatMap((event) => eventProblems(document, event, names)),
    ...document.acceptances.flatMap((acceptance) =>
      unknownName(`${at(acceptance)}.address`, acceptance.address, names.addresses),
    ),
    ...provingProblems(document, names),
  ]
}

/** Where a fact stands in the file. */
const at = ({ place }: Pick<Entered, 'place'>): string => `facts.${place}.body`

/** Proofs, lifts and what was seen to. */
function provingProblems(
  { proofs, lifts, checkOffs }: SetupDocument,
  names: Names,
): readonly Problem[] {
  return [
    ...proofs.flatMap((proof) => [
      ...unknownName(`${at(proof)}.row`, proof.row, names.rows),
      ...unknownName(`${at(proof)}.tool`, `T${proof.tool}`, names.tools),
      ...lengthProblem(`${at(proof)}.clearance`, proof.clearance, { sign: 'positive' }),
      ...lengthProblem(`${at(proof)}.gap`, proof.gap, { sign: 'not-negative' }),
      ...(proof.stop
        ? [
            ...lengthProblem(`${at(proof)}.stop.position`, proof.stop.position),
            ...lengthProblem(`${at(proof)}.stop.distanceToGo`, proof.stop.distanceToGo),
          ]
        : []),
    ]),
    ...lifts.flatMap((lift) => [
      ...lengthProblem(`${at(lift)}.amount`, lift.amount, { sign: 'positive' }),
      ...(lift.shown ? lengthProblem(`${at(lift)}.shown`, lift.shown) : []),
    ]),
    ...checkOffs.flatMap((checkOff) => checkOffProblems(checkOff, names)),
  ]
}

function checkOffProblems(checkOff: CheckOff, names: Names): readonly Problem[] {
  const place = at(checkOff)
  if (checkOff.of === 'home') return markProblems(`${place}.marks`, checkOff.marks ?? {})
  if (checkOff.of === 'part-zero')
    return [
      ...unknownName(`${place}.row`, checkOff.row, names.rows),
      ...markProblems(`${place}.marks`, checkOff.marks),
    ]
  if (checkOff.of === 'cut') return unknownName(`${place}.tool`, `T${checkOff.tool}`, names.tools)
  if (checkOff.of !== 'first-part') return []
  return checkOff.measured.flatMap(({ tool, nominal, measured }, index) => [
    ...unknownName(`${place}.measured.${index}.tool`, `T${tool}`, names.tools),
    ...lengthProblem(`${place}.measured.${index}.nominal`, nominal, { sign: 'positive' }),
    ...lengthProblem(`${place}.measured.${index}.measured`, measured, { sign: 'positive' }),
  ])
}

const markProblems = (place: string, marks: AxisMarks): readonly Problem[] =>
  Object.entries(marks).flatMap(([axis, { dial, coarse }]) => [
    ...(dial ? lengthProblem(`${place}.${axis}.dial`, dial) : []),
    ...(coarse ? lengthProblem(`${place}.${axis}.coarse`, coarse) : []),
  ])

function eventProblems(
  document: SetupDocument,
  event: SetupEvent,
  names: Names,
): readonly Problem[] {
  const place = at(event)
  switch (event.kind) {
    case 'part-changed':
      return unknownName(`${place}.row`, event.row, names.rows)
    case 'tool-changed':
      return unknownName(`${place}.tool`, `T${event.tool}`, names.tools)
    case 'check-failed':
      return [
        ...unknownName(`${place}.gauge`, event.gauge, names.gauges),
        ...(event.lastGood !== undefined && event.goodThrough < 0
          ? [{ ...UNKNOWN_READING, place: `${place}.lastGood`, received: event.lastGood } as const]
          : []),
      ]
    case 'cycle-broken':
      return unknownName(`${place}.gauge`, event.gauge, names.gauges)
    case 'gauge-measured':
      return [
        ...unknownName(`${place}.gauge`, event.gauge, names.gauges),
        ...lengthProblem(`${place}.size`, event.size, { sign: 'positive' }),
        ...(event.uncertainty === undefined
          ? []
          : lengthProblem(`${place}.uncertainty`, event.uncertainty, { sign: 'not-negative' })),
      ]
    case 'corrected':
      return [
        ...unknownName(`${place}.address`, event.address, names.addresses),
        ...unknownName(`${place}.because.tool`, `T${event.because.tool}`, names.tools),
        ...lengthProblem(`${place}.amount`, event.amount),
      ]
    case 'external-changed':
      return lengthProblem(`${place}.value`, event.value)
    case 'row-stands':
      return [
        ...unknownName(`${place}.address`, event.address, names.addresses),
        ...lengthProblem(`${place}.holds`, event.holds),
      ]
    case 'tool-rechecked':
      return [
        ...unknownName(`${place}.tool`, `T${event.tool}`, names.tools),
        ...lengthProblem(`${place}.holds`, event.holds),
        ...lengthProblem(`${place}.found`, event.found),
      ]
    case 'counter-zeroed':
      return event.machinePosition === undefined
        ? []
        : lengthProblem(`${place}.machinePosition`, event.machinePosition)
    case 'home-recovered':
      return AXES.flatMap((axis) => {
        const by = event.shift[axis]
        return by === undefined ? [] : lengthProblem(`${place}.shift.${axis}`, by)
      })
    case 'rebased':
      return [
        ...unknownName(`${place}.tool`, `T${event.tool}`, names.tools),
        ...(names.tools.has(`T${event.tool}`) && rebaseOf(document, event) === undefined
          ? [{ code: 'rebase-undetermined', place, received: `T${event.tool}` } as const]
          : []),
      ]
    case 'order-told':
      return [
        ...unknownName(
          `${place}.reading`,
          event.reading,
          new Set(document.readings.map(({ id }) => id)),
        ),
        ...unknownName(`${place}.event`, event.event, new Set(document.events.map(({ id }) => id))),
      ]
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return []
  }
}

function readingProblems(document: SetupDocument, names: Names): readonly Problem[] {
  const earlier = new Map<string, string>()
  return document.readings.flatMap((reading) => {
    const place = at(reading)
    const used = endsOf(reading).flatMap(({ gauges }) => gauges)
    const problems: readonly Problem[] = [
      ...lengthProblem(`${place}.read`, reading.read),
      ...positionProblems(`${place}.position`, reading.position, names),
      ...('readY' in reading ? lengthProblem(`${place}.readY`, reading.readY) : []),
      ...(reading.of === 'sweep'
        ? FACES.flatMap((face) => lengthProblem(`${place}.dial.${face}`, reading.dial[face]))
        : []),
      ...used.flatMap((id) => unknownName(`${place}.with`, id, names.gauges)),
      ...('tool' in reading ? unknownName(`${place}.tool`, `T${reading.tool}`, names.tools) : []),
      ...('row' in reading ? unknownName(`${place}.row`, reading.row, names.rows) : []),
      ...('from' in reading ? unknownName(`${place}.from`, reading.from, names.rows) : []),
      ...(reading.kept !== undefined && 'row' in reading
        ? [{ code: 'kept-of-part', place: `${place}.kept`, received: reading.of } as const]
        : []),
      ...supersedesProblem(place, reading.supersedes, quantityKey(reading), earlier),
    ]
    earlier.set(reading.id, quantityKey(reading))
    return problems
  })
}

/** The row and the length that were active have to be ones of the sheet. */
function positionProblems(
  place: string,
  position: DisplayedPosition | undefined,
  names: Names,
): readonly Problem[] {
  if (position?.of === 'counter-from' && position.tool !== null)
    return unknownName(`${place}.tool`, `T${position.tool}`, names.tools)
  if (position?.of !== 'work') return []
  const { row, holds, length } = position
  return [
    ...unknownName(`${place}.row`, row, names.rows),
    ...AXES.flatMap((axis) => {
      const shown = holds[axis]
      return shown === undefined ? [] : lengthProblem(`${place}.holds.${axis}`, shown)
    }),
    ...(length === undefined
      ? []
      : [
          ...unknownName(`${place}.length.address`, length.address, names.addresses),
          ...lengthProblem(`${place}.length.holds`, length.holds),
        ]),
  ]
}

const UNKNOWN_READING = { code: 'reference-unknown', limit: 'the ids of earlier readings' } as const

/** A reading may replace only an earlier one of the same quantity. */
function supersedesProblem(
  place: string,
  supersedes: string | undefined,
  key: string,
  earlier: ReadonlyMap<string, string>,
): readonly Problem[] {
  if (supersedes === undefined) return []
  const of = earlier.get(supersedes)
  if (of === key) return []
  const where = { place: `${place}.supersedes`, received: supersedes }
  return of === undefined
    ? [{ ...where, ...UNKNOWN_READING }]
    : [{ ...where, code: 'supersedes-other', limit: of }]
}
