import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { repeatabilityMm } from '../budget/source-uncertainty'
import { FINEST_DECIMALS, NANOMETRES_PER, toNanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { Reading, SetupDocument } from './document'
import { explain, knownSizes } from '../slips/explain'
import { changedLengths } from './last-time'
import { axisOfQuantity, quantityKey, standingReadings } from './quantity'
import { alikeRepeats, repeatSpread } from './repeats'
import type { EdgeAngle, Heights, ImpliedSize, Register, Warning } from './solution'

/** Repeats that differ by more than this many standard deviations of the method are pointed out (domain.md §4). */
const SPREAD_FACTOR = 3

/** What a machinist should look at, in the order of the work. */
export function warningsOf(
  document: SetupDocument,
  registers: readonly Register[],
  sizes: readonly ImpliedSize[],
  edges: readonly EdgeAngle[],
  heights: Heights,
): readonly Warning[] {
  return [
    ...lengthWarnings(document, registers),
    ...readingWarnings(document),
    ...spindleWarnings(document, registers),
    ...changedLengths(document, heights).map(
      ({ lengthRegister, change, limit, causes }): Warning => ({
        code: 'differs-from-last-time',
        place: `H${lengthRegister}`,
        amount: change,
        limit,
        causes,
      }),
    ),
    ...approachWarning(document),
    ...edgeWarnings(edges),
    ...sizes.flatMap((size) => sizeWarnings(size)),
    ...registers.flatMap(({ address, readBack }): Warning[] =>
      readBack && !readBack.equal
        ? [{ code: 'read-back-differs', place: address, amount: readBack.error }]
        : [],
    ),
  ]
}

/** A tool cannot end above the spindle nose: under the gauge line a length is always positive. */
function lengthWarnings(
  document: SetupDocument,
  registers: readonly Register[],
): readonly Warning[] {
  if (document.sheet.school !== 'gauge-line') return []
  return registers.flatMap(({ address, kind, value }): Warning[] =>
    kind === 'length' && value !== undefined && value <= 0
      ? [{ code: 'length-not-positive', place: address, amount: value }]
      : [],
  )
}

function sizeWarnings({
  row,
  axis,
  implied,
  drawing,
  tolerance,
  agrees,
}: ImpliedSize): readonly Warning[] {
  if (agrees) return []
  const place = `${row}.${axis}`
  if (implied < 0) return [{ code: 'faces-swapped', place, amount: implied }]
  return [
    { code: 'size-differs', place, amount: toNanometres(implied - drawing), limit: tolerance },
  ]
}

function readingWarnings(document: SetupDocument): readonly Warning[] {
  const seen = new Set<string>()
  return document.readings.flatMap((reading): Warning[] => {
    const key = quantityKey(reading)
    if (seen.has(key)) return []
    seen.add(key)
    const standing = standingReadings(document, reading)
    const noSensor = reading.of === 'face' && standing.some((one) => one.with.length === 0)
    return [
      ...(noSensor ? [{ code: 'no-sensor', place: key } as const] : []),
      ...spreadWarning(document, key, standing),
    ]
  })
}

/** Heights that are compared must come from the same side of the screw, unless its lost motion is known. */
function approachWarning(document: SetupDocument): readonly Warning[] {
  if (document.sheet.machine.lostMotion?.Z !== undefined) return []
  const rising = new Set(
    document.sheet.gauges.filter(({ kind }) => GAUGE_FACTS[kind].rises).map(({ id }) => id),
  )
  const superseded = new Set(document.readings.map((reading) => reading.supersedes))
  const ways = document.readings
    .filter(
      (reading) =>
        ['nose-on-plane', 'tip-on-plane', 'nose-on-part', 'tip-on-part'].includes(reading.of) &&
        !superseded.has(reading.id),
    )
    .map(
      ({ approach, with: gauges }) => approach ?? (gauges.some((id) => rising.has(id)) ? '+' : '-'),
    )
  return new Set(ways).size > 1 ? [{ code: 'approach-mixed', place: 'Z' }] : []
}

/** Repeats that lie further apart than the method allows, with the slips that one of them may be. */
function spreadWarning(
  document: SetupDocument,
  place: string,
  repeats: readonly Reading[],
): readonly Warning[] {
  const last = repeats.at(-1)
  if (last === undefined) return []
  // Only touches made the same way can be compared as read: another gauge shifts the reading.
  const values = alikeRepeats(document, last).flatMap(({ read }) => {
    const length = readLength(read)
    return length.ok ? [length.value] : []
  })
  const [newest, ...others] = [...values].reverse()
  if (newest === undefined || others.length === 0) return []
  const spread = repeatSpread(document, last) ?? 0
  const limit = toNanometres(
    SPREAD_FACTOR * repeatabilityMm(gaugesOf(document, repeats)) * NANOMETRES_PER.mm,
  )
  if (spread <= limit) return []
  // The last touch is held against each of the others: one of them explains it, or none does.
  const causes = others
    .map((other) =>
      explain({
        expected: other.nm,
        observed: newest.nm,
        unit: newest.unit,
        // A whole number was read to one decimal less than a display writes.
        decimals: Math.min(Math.max(newest.decimals, 1), FINEST_DECIMALS[newest.unit]),
        within: limit,
        kind: 'size',
        gauges: knownSizes(document.sheet.gauges, axisOfQuantity(last)),
      }),
    )
    .find(({ length }) => length > 0)
  return [
    {
      code: 'repeats-spread',
      place,
      amount: toNanometres(spread),
      limit,
      ...(causes && { causes }),
    },
  ]
}

/**
 * Z touches where the spindle held another tool than the step says, or the control took another one
 * for active: the slip behind most crashes (domain.md §5). The amount is the difference of the two
 * lengths, where both are known.
 */
function spindleWarnings(
  document: SetupDocument,
  registers: readonly Register[],
): readonly Warning[] {
  const superseded = new Set(document.readings.map(({ supersedes }) => supersedes))
  const lengthOf = (tool: number | null): number | undefined => {
    if (tool === null) return document.sheet.school === 'gauge-line' ? 0 : undefined
    const register = document.sheet.tools.find(({ number }) => number === tool)?.lengthRegister
    return registers.find(({ address }) => address === `H${register}`)?.value
  }
  return document.readings.flatMap((reading): readonly Warning[] => {
    const { spindle } = reading
    if (spindle === undefined || superseded.has(reading.id)) return []
    const wanted = 'tool' in reading ? reading.tool : null
    const { holds, controlSays } = spindle
    if (holds === wanted && controlSays === holds) return []
    const [really, taken] = [lengthOf(holds), lengthOf(controlSays)]
    const amount =
      really === undefined || taken === undefined ? undefined : toNanometres(taken - really)
    return [
      {
        code: 'control-tool-differs',
        place: quantityKey(reading),
        tools: [wanted, holds, controlSays],
        ...(amount !== undefined && amount !== 0 && { amount }),
      },
    ]
  })
}

const edgeWarnings = (edges: readonly EdgeAngle[]): readonly Warning[] =>
  edges.flatMap(({ row, face, runOut, tolerance, agrees }): readonly Warning[] =>
    agrees === false && tolerance !== undefined
      ? [
          {
            code: 'edge-turned',
            place: `edge-point:${row}:${face}`,
            amount: runOut,
            limit: tolerance,
          },
        ]
      : [],
  )

const gaugesOf = (document: SetupDocument, repeats: readonly Reading[]) =>
  document.sheet.gauges.filter(({ id }) => repeats.some((reading) => reading.with.includes(id)))
