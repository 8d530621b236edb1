import { FINEST_DECIMALS, toNanometres, type Nanometres } from '../../length/length'
import { nanometresOf, readLength, type ReadLength } from '../../length/read-length'
import { explain, knownSizes } from '../../slips/explain'
import type { Explanation, SlipCode } from '../../slips/slip'
import {
  axesRead,
  inMachinePosition,
  axisOfQuantity,
  quantityKey,
} from '../../quantities/quantities'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { standingReadings } from '../../freshness/standing'
import { countingTouches } from '../../sources/counting-touches'
import { alikeRepeats } from '../../sources/repeats'
import type { SourceReader } from '../../sources/sources'
import type { MachineAxis } from '../../address/row'
import type { Warning } from '../../registers/warning'

/** What is to be looked at in the readings themselves, before any number is made of them. */
export function readingWarnings(
  document: SetupDocument,
  sources: SourceReader,
): readonly Warning[] {
  const seen = new Set<string>()
  const usual = usualDecimals(document)
  return document.readings.flatMap((reading): readonly Warning[] => {
    const place = quantityKey(reading)
    if (seen.has(place)) return []
    seen.add(place)
    const standing = standingReadings(document, reading)
    const noSensor = reading.of === 'face' && standing.some((one) => one.with.length === 0)
    return [
      ...(noSensor ? [{ code: 'no-sensor', place } as const] : []),
      ...standing.flatMap((one) => outsideTravel(document, one)),
      ...standing.flatMap((one) => digitsMissing(document, one, usual)),
      ...spreadWarning(document, sources, place, standing),
    ]
  })
}

/** A place where the machine does not go was misread: the usual slips that bring it back are named. */
function outsideTravel({ sheet }: SetupDocument, reading: Reading): readonly Warning[] {
  // Of a work position only what the row held makes a place of the machine.
  if (!inMachinePosition(reading) || reading.position !== undefined) return []
  return axesRead(reading).flatMap((axis): readonly Warning[] => {
    const ends = sheet.machine.travels?.[axis]
    const [min, max] = [ends?.min, ends?.max].map((end) => nanometresOf(end))
    const at = nanometresOf(axis === 'Y' && 'readY' in reading ? reading.readY : reading.read)
    if (min === undefined || max === undefined || at === undefined) return []
    const isInside = (nm: number) => nm >= min && nm <= max
    if (isInside(at)) return []
    const beyond = at < min ? at - min : at - max
    return [
      {
        code: 'outside-travel',
        place: quantityKey(reading),
        axis,
        amount: toNanometres(beyond),
        causes: bringBack(at, isInside),
      },
    ]
  })
}

/** What a slip may have done to a place that the machine can be at, the likeliest first: anything small lies within any travel. */
const MISREAD: readonly (readonly [SlipCode, (nm: number) => number])[] = [
  ['sign-turned', (nm) => -nm],
  ['decimal-shifted', (nm) => nm / 10],
  ['unit-mm-for-inch', (nm) => nm / 25.4],
  ['unit-inch-for-mm', (nm) => nm * 25.4],
  ['decimal-shifted', (nm) => nm / 100],
  ['decimal-shifted', (nm) => nm / 1000],
]

function bringBack(at: Nanometres, isInside: (nm: number) => boolean): readonly Explanation[] {
  const first = MISREAD.find(([, undo]) => isInside(undo(at)))
  return first === undefined ? [] : [{ code: first[0], gives: at }]
}

/**
 * How many decimals the readings of a set-up are usually typed with: of those in its own unit, as many as at least half of them
 * have.
 */
function usualDecimals({ sheet, readings }: SetupDocument): number {
  const typed = readings
    .flatMap(({ read }) => {
      const length = readLength(read)
      return length.ok && length.value.unit === sheet.unit ? [length.value.decimals] : []
    })
    .sort((a, b) => b - a)
  return typed[Math.floor(typed.length / 2)] ?? 0
}

/** Fewer than the others by this many: that all of them are zeros happens once in a hundred times. */
const DECIMALS_SHORT = 2

/**
 * Digits that may have been left out. A number with fewer digits is taken as it is meant, and trailing zeros are not
 * asked for; where the other readings show all their digits, one that lacks two may have lost them.
 */
function digitsMissing(
  { sheet }: SetupDocument,
  reading: Reading,
  usual: number,
): readonly Warning[] {
  const shown = Math.min(usual, sheet.machine.control.decimals[sheet.unit])
  const numbers = 'readY' in reading ? [reading.read, reading.readY] : [reading.read]
  const isShort = ({ unit, decimals }: ReadLength) =>
    unit === sheet.unit && decimals <= shown - DECIMALS_SHORT
  const short = numbers.some((written) => {
    const length = readLength(written)
    return length.ok && isShort(length.value)
  })
  return short ? [{ code: 'digits-missing', place: quantityKey(reading) }] : []
}

/** Touches of which none counts, for the last stands alone; with the slips that one of them may be. */
function spreadWarning(
  document: SetupDocument,
  sources: SourceReader,
  place: string,
  standing: readonly Reading[],
): readonly Warning[] {
  const last = standing.at(-1)
  if (last === undefined) return []
  const { apart } = countingTouches(document, sources, last)
  if (apart === undefined) return []
  // Only touches made the same way can be compared as read: another gauge shifts the reading.
  const values = alikeRepeats(document, last).flatMap(({ read }) => {
    const length = readLength(read)
    return length.ok ? [length.value] : []
  })
  const [newest, ...others] = [...values].reverse()
  // The last touch is held against each of the others: one of them explains it, or none does.
  const causes = others
    .map((other) =>
      explain({
        expected: other.nm,
        observed: newest?.nm ?? other.nm,
        unit: other.unit,
        // A slip of a digit that no display shows lies within the limit: finer than that asks nothing more.
        decimals: FINEST_DECIMALS[other.unit],
        within: apart.limit,
        kind: 'size',
        gauges: knownSizes(document.sheet.gauges, axisOfQuantity(last) satisfies MachineAxis),
      }),
    )
    .find(({ length }) => length > 0)
  return [{ code: 'repeats-spread', place, ...apart, ...(causes && { causes }) }]
}
