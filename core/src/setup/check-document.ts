import type { Entered } from '../journal/entered'
import type { Problem } from '../problem'
import { readLength, type ReadLengthOptions } from '../length/read-length'
import type { WrittenLength } from '../length/length'
import type { CheckOff, SetupDocument, SetupEvent } from './document'
import type { AxisPlan, MachineAxis, OffsetPlan, SetupSheet } from './sheet'
import { zWayProblem } from '../schools/z-way-problem'
import { endsOf } from './contact-ends'
import { FACES } from '../touch/touch'
import { quantityKey } from './quantity'
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

/** The same for a sheet alone; places begin with `sheet`. */
export const checkSheet = (sheet: SetupSheet): readonly Problem[] => [
  ...sheetLengths(sheet).flatMap(([place, written, options]) =>
    lengthProblem(place, written, options),
  ),
  ...sheetReferences(sheet, namesOf(sheet)),
]

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
    ...lifts.flatMap((lift) =>
      lengthProblem(`${at(lift)}.amount`, lift.amount, { sign: 'positive' }),
    ),
    ...checkOffs.flatMap((checkOff) => checkOffProblems(checkOff, names)),
  ]
}

function checkOffProblems(checkOff: CheckOff, names: Names): readonly Problem[] {
  const place = at(checkOff)
  if (checkOff.of === 'home')
    return Object.entries(checkOff.marks ?? {}).flatMap(([axis, { dial, coarse }]) => [
      ...lengthProblem(`${place}.marks.${axis}.dial`, dial),
      ...lengthProblem(`${place}.marks.${axis}.coarse`, coarse),
    ])
  if (checkOff.of !== 'first-part') return []
  return checkOff.measured.flatMap(({ tool, nominal, measured }, index) => [
    ...unknownName(`${place}.measured.${index}.tool`, `T${tool}`, names.tools),
    ...lengthProblem(`${place}.measured.${index}.nominal`, nominal, { sign: 'positive' }),
    ...lengthProblem(`${place}.measured.${index}.measured`, measured, { sign: 'positive' }),
  ])
}

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
    case 'external-changed':
      return lengthProblem(`${place}.value`, event.value)
    case 'home-recovered':
      return (['X', 'Y', 'Z'] as const).flatMap((axis) =>
        lengthProblem(`${place}.shift.${axis}`, event.shift[axis]),
      )
    case 'rebased':
      return [
        ...unknownName(`${place}.tool`, `T${event.tool}`, names.tools),
        ...(names.tools.has(`T${event.tool}`) && rebaseOf(document, event) === undefined
          ? [{ code: 'rebase-undetermined', place, received: `T${event.tool}` } as const]
          : []),
      ]
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return []
  }
}

/** What the parts of a document may point at. */
interface Names {
  readonly gauges: ReadonlySet<string>
  readonly tools: ReadonlySet<string>
  readonly rows: ReadonlySet<string>
  readonly addresses: ReadonlySet<string>
}

function namesOf(sheet: SetupSheet): Names {
  return {
    gauges: new Set(sheet.gauges.map(({ id }) => id)),
    tools: new Set(sheet.tools.map(({ number }) => `T${number}`)),
    rows: new Set(sheet.offsets.map(({ row }) => row)),
    addresses: new Set([
      ...sheet.tools.flatMap(({ lengthRegister, diameterRegister }) => [
        `H${lengthRegister}`,
        ...(diameterRegister === undefined ? [] : [`D${diameterRegister}`]),
      ]),
      ...sheet.offsets.flatMap(({ row }) => [`${row}.X`, `${row}.Y`, `${row}.Z`]),
      ...(sheet.reference?.planeRow === undefined ? [] : [`${sheet.reference.planeRow}.Z`]),
    ]),
  }
}

type NamedLength = readonly [place: string, written: WrittenLength, options: ReadLengthOptions]

/** A length that need not be there. */
const optional = (
  place: string,
  written: WrittenLength | undefined,
  options: ReadLengthOptions = {},
): readonly NamedLength[] => (written === undefined ? [] : [[place, written, options]])

function sheetLengths(sheet: SetupSheet): readonly NamedLength[] {
  const { machine, reference, needs } = sheet
  const axes: readonly MachineAxis[] = ['X', 'Y', 'Z']
  return [
    ...axes.flatMap((axis) => [
      ...optional(`sheet.machine.lostMotion.${axis}`, machine.lostMotion?.[axis], {
        sign: 'not-negative',
      }),
      ...optional(`sheet.machine.externalOffset.${axis}`, machine.externalOffset?.[axis]),
      ...optional(`sheet.machine.dialTurn.${axis}`, machine.dialTurn?.[axis], { sign: 'positive' }),
      ...optional(`sheet.machine.travels.${axis}.min`, machine.travels?.[axis]?.min),
      ...optional(`sheet.machine.travels.${axis}.max`, machine.travels?.[axis]?.max),
    ]),
    ...optional('sheet.holding.jaw', sheet.holding?.jaw, { sign: 'positive' }),
    ...optional('sheet.holding.parallels', sheet.holding?.parallels, { sign: 'not-negative' }),
    ...optional('sheet.holding.sideCut', sheet.holding?.sideCut, { sign: 'positive' }),
    ...optional('sheet.reference.constant', reference?.constant),
    ...optional('sheet.reference.masterLength', reference?.masterLength),
    ...optional('sheet.reference.constantUncertainty', reference?.constantUncertainty, uncertain),
    ...optional(
      'sheet.reference.masterLengthUncertainty',
      reference?.masterLengthUncertainty,
      uncertain,
    ),
    ...optional('sheet.needs.depth', needs?.depth, { sign: 'positive' }),
    ...optional('sheet.needs.position', needs?.position, { sign: 'positive' }),
    ...axes.map((axis): NamedLength => [
      `sheet.stock.${axis}`,
      sheet.stock[axis],
      { sign: 'positive' },
    ]),
    ...sheet.gauges.flatMap(
      (
        { size, wall, repeatability, uncertainty, foot, footUncertainty },
        index,
      ): readonly NamedLength[] => [
        [`sheet.gauges.${index}.size`, size, { sign: 'positive' }],
        ...optional(`sheet.gauges.${index}.wall`, wall, { sign: 'positive' }),
        ...optional(`sheet.gauges.${index}.repeatability`, repeatability, uncertain),
        ...optional(`sheet.gauges.${index}.uncertainty`, uncertainty, uncertain),
        ...optional(`sheet.gauges.${index}.foot`, foot),
        ...optional(`sheet.gauges.${index}.footUncertainty`, footUncertainty, uncertain),
      ],
    ),
    ...sheet.tools.flatMap((tool, index) => toolLengths(tool, `sheet.tools.${index}`)),
    ...sheet.offsets.flatMap((offset, index) => offsetLengths(offset, `sheet.offsets.${index}`)),
  ]
}

/** What a standard uncertainty may be. */
const uncertain: ReadLengthOptions = { sign: 'not-negative' }

function toolLengths(
  { length, lengthUncertainty, lastLength, diameter, programDiameter }: SetupSheet['tools'][number],
  place: string,
): readonly NamedLength[] {
  const positive = { sign: 'positive' } as const
  return [
    ...optional(`${place}.lastLength`, lastLength, positive),
    ...optional(`${place}.length`, length, positive),
    ...optional(`${place}.lengthUncertainty`, lengthUncertainty, uncertain),
    ...optional(`${place}.diameter`, diameter, positive),
    ...optional(`${place}.programDiameter`, programDiameter, positive),
  ]
}

function offsetLengths(offset: OffsetPlan, place: string): readonly NamedLength[] {
  return [
    ...axisLengths(offset.X, `${place}.X`),
    ...axisLengths(offset.Y, `${place}.Y`),
    [`${place}.Z.facing`, offset.Z.facing, { sign: 'not-negative' }],
    ...optional(`${place}.edge.tolerance`, offset.edge?.tolerance, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.measured`, offset.Z.quill?.measured, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.running`, offset.Z.quill?.running, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.uncertainty`, offset.Z.quill?.uncertainty, uncertain),
  ]
}

function axisLengths(plan: AxisPlan, place: string): readonly NamedLength[] {
  const drawing: NamedLength = [`${place}.drawing`, plan.drawing, {}]
  const positive = { sign: 'positive' } as const
  switch (plan.by) {
    case 'one-face':
    case 'sweep':
    case 'turned-corner':
      return [drawing]
    case 'two-faces':
      return [
        drawing,
        [`${place}.size`, plan.size, positive],
        [`${place}.tolerance`, plan.tolerance, { sign: 'not-negative' }],
      ]
    case 'circle':
      return [
        drawing,
        [`${place}.diameter`, plan.diameter, positive],
        [`${place}.tolerance`, plan.tolerance, { sign: 'not-negative' }],
      ]
  }
}

function sheetReferences(sheet: SetupSheet, names: Names): readonly Problem[] {
  const master = sheet.reference?.masterTool
  const diameters = sheet.tools.map(({ diameterRegister }) =>
    diameterRegister === undefined ? undefined : `D${diameterRegister}`,
  )
  return [
    ...duplicates(
      'sheet.tools',
      sheet.tools.map(({ number }) => `T${number}`),
      'number',
    ),
    ...duplicates(
      'sheet.tools',
      sheet.tools.map(({ lengthRegister }) => `H${lengthRegister}`),
      'lengthRegister',
    ),
    ...duplicates('sheet.tools', diameters, 'diameterRegister'),
    ...duplicates(
      'sheet.gauges',
      sheet.gauges.map(({ id }) => id),
      'id',
    ),
    ...duplicates(
      'sheet.offsets',
      sheet.offsets.map(({ row }) => row),
      'row',
    ),
    ...(sheet.offsets.some(({ row }) => row === sheet.reference?.planeRow)
      ? [
          {
            code: 'row-taken',
            place: 'sheet.reference.planeRow',
            received: sheet.reference?.planeRow ?? '',
          } as const,
        ]
      : []),
    ...sheet.offsets.flatMap(({ Z }, index) => zWayProblem(sheet.school, Z.by, index) ?? []),
    ...sheet.offsets.flatMap(({ X, Y }, index) => cornerProblems(X, Y, `sheet.offsets.${index}`)),
    ...(sheet.school === 'master-tool'
      ? unknownName(
          'sheet.reference.masterTool',
          master === undefined ? 'nothing' : `T${master}`,
          names.tools,
        )
      : []),
    ...sheet.offsets.flatMap(({ Z }, index) => {
      const place = `sheet.offsets.${index}.Z`
      if (Z.by === 'tool-on-part') return unknownName(`${place}.tool`, `T${Z.tool}`, names.tools)
      // A fixture can be counted only from one that is found before it.
      const earlier = new Set<string>(sheet.offsets.slice(0, index).map(({ row }) => row))
      return Z.by === 'fixture-difference' ? unknownName(`${place}.from`, Z.from, earlier) : []
    }),
  ]
}

/** The corner of a turned part is found in X and Y together. */
function cornerProblems(X: AxisPlan, Y: AxisPlan, place: string): readonly Problem[] {
  const isCorner = (plan: AxisPlan) => plan.by === 'turned-corner'
  if (isCorner(X) === isCorner(Y)) return []
  const [axis, other] = isCorner(X) ? (['X', Y.by] as const) : (['Y', X.by] as const)
  return [{ code: 'corner-needs-both', place: `${place}.${axis}.by`, received: other }]
}

function lengthProblem(
  place: string,
  written: WrittenLength,
  options: ReadLengthOptions = {},
): readonly Problem[] {
  const result = readLength(written, { ...options, place })
  return result.ok ? [] : [result.problem]
}

function duplicates(
  place: string,
  names: readonly (string | undefined)[],
  field: string,
): readonly Problem[] {
  const seen = new Set<string>()
  return names.flatMap((name, index): readonly Problem[] => {
    if (name === undefined) return []
    if (seen.has(name))
      return [{ code: 'reference-duplicate', place: `${place}.${index}.${field}`, received: name }]
    seen.add(name)
    return []
  })
}

function readingProblems(document: SetupDocument, names: Names): readonly Problem[] {
  const earlier = new Map<string, string>()
  return document.readings.flatMap((reading) => {
    const place = at(reading)
    const used = endsOf(reading).flatMap(({ gauges }) => gauges)
    const problems: readonly Problem[] = [
      ...lengthProblem(`${place}.read`, reading.read),
      ...('readY' in reading ? lengthProblem(`${place}.readY`, reading.readY) : []),
      ...(reading.of === 'sweep'
        ? FACES.flatMap((face) => lengthProblem(`${place}.dial.${face}`, reading.dial[face]))
        : []),
      ...used.flatMap((id) => unknownName(`${place}.with`, id, names.gauges)),
      ...('tool' in reading ? unknownName(`${place}.tool`, `T${reading.tool}`, names.tools) : []),
      ...('row' in reading ? unknownName(`${place}.row`, reading.row, names.rows) : []),
      ...('from' in reading ? unknownName(`${place}.from`, reading.from, names.rows) : []),
      ...supersedesProblem(place, reading.supersedes, quantityKey(reading), earlier),
    ]
    earlier.set(reading.id, quantityKey(reading))
    return problems
  })
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

const unknownName = (
  place: string,
  name: string,
  known: ReadonlySet<string>,
): readonly Problem[] =>
  known.has(name)
    ? []
    : [
        {
          code: 'reference-unknown',
          place,
          received: name,
          limit: [...known].slice(0, 40).join(', '),
        },
      ]
