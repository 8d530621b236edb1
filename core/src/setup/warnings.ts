import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { repeatabilityMm } from '../budget/source-uncertainty'
import { NANOMETRES_PER, toNanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { Reading, SetupDocument } from './document'
import { quantityKey, standingReadings } from './quantity'
import type { ImpliedSize, Register, Warning } from './solution'

/** Repeats that differ by more than this many standard deviations of the method are pointed out (domain.md §4). */
const SPREAD_FACTOR = 3

/** What a machinist should look at, in the order of the work. */
export function warningsOf(
  document: SetupDocument,
  registers: readonly Register[],
  sizes: readonly ImpliedSize[],
): readonly Warning[] {
  return [
    ...lengthWarnings(document, registers),
    ...readingWarnings(document),
    ...approachWarning(document),
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
    const standing = standingReadings(document.readings, reading)
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

function spreadWarning(
  document: SetupDocument,
  place: string,
  repeats: readonly Reading[],
): readonly Warning[] {
  const last = repeats.at(-1)
  // Only touches made the same way can be compared as read: another gauge shifts the reading.
  const alike = repeats.filter((one) => circumstances(one) === (last && circumstances(last)))
  const values = alike.flatMap(({ read }) => {
    const length = readLength(read)
    return length.ok ? [length.value.nm] : []
  })
  if (values.length < 2) return []
  const spread = Math.max(...values) - Math.min(...values)
  const limit = toNanometres(
    SPREAD_FACTOR * repeatabilityMm(gaugesOf(document, repeats)) * NANOMETRES_PER.mm,
  )
  return spread > limit
    ? [{ code: 'repeats-spread', place, amount: toNanometres(spread), limit }]
    : []
}

const circumstances = (reading: Reading): string =>
  JSON.stringify([
    reading.with,
    reading.of === 'carried-difference' ? [reading.zeroedOn, reading.withOnPlane] : [],
  ])

const gaugesOf = (document: SetupDocument, repeats: readonly Reading[]) =>
  document.sheet.gauges.filter(({ id }) => repeats.some((reading) => reading.with.includes(id)))
