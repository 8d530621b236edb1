import type { SourceUncertainty } from '../chain/chain'
import {
  FINEST_DECIMALS,
  NANOMETRES_PER,
  type LengthUnit,
  type WrittenLength,
} from '../length/length'
import { readLength, type ReadLength } from '../length/read-length'
import type { Gauge } from '../sheet/gauge'
import { blockLimitMm } from '../touch/gauge-block-limits'
import { BARE_REPEATABILITY_MM, GAUGE_FACTS } from '../touch/gauge-kinds'

/** Standard uncertainty of a ground gauge whose size nobody certified, in millimetres (from memory). */
const GROUND_MM = 0.002

/** How finely a display shows: the unit that it is switched to, and its decimals. */
export interface Display {
  readonly unit: LengthUnit
  readonly decimals: number
}

/**
 * A display that steps by q is uniform over ±q/2: q/√12 (JCGM 100, F.2.2.1).
 *
 * The step is the display's: a person who types `-220` of a display that shows -220.000 has read all of its digits.
 * What was read in another unit, or more finely than the display shows, came from elsewhere: there the digits that
 * were typed tell.
 */
export function resolutionMm({ unit, decimals: typed }: ReadLength, display?: Display): number {
  const own = display?.unit === unit ? Math.max(display.decimals, typed) : typed
  const decimals = Math.min(own, FINEST_DECIMALS[unit])
  return (NANOMETRES_PER[unit] / NANOMETRES_PER.mm) * 10 ** -decimals * Math.sqrt(1 / 12)
}

/**
 * A screw whose backlash nobody declared: somewhere from nothing to 0.02 mm (from memory; declared
 * on the machine, it counts exactly). We count with nothing, so the standard uncertainty is the root
 * mean square of that range: 0.02/√3.
 */
export const UNKNOWN_LOST_MOTION: SourceUncertainty = {
  mm: 0.02 / Math.sqrt(3),
  degreesOfFreedom: Infinity,
}

/** With fewer repeats than this, what the method is known to repeat to says more than they do. */
const ENOUGH_REPEATS = 5

/** What is known of how a reading was made. */
export interface ReadingCircumstances {
  /** One standard deviation of each contact that it is made of, in millimetres: two of a difference. */
  readonly contactsMm: readonly number[]
  /** The display that it was read from. */
  readonly display?: Display
  /** Every standing touch of the same kind, this one included, in millimetres. */
  readonly repeatsMm?: readonly number[]
}

/**
 * A touch repeats as its gauge does (the coarsest of several; 0.02 mm bare), and is read to a step.
 * Five or more repeats speak for themselves: their sample standard deviation is taken instead, with
 * its degrees of freedom (JCGM 100, 4.2.3).
 */
export function readingUncertainty(
  length: ReadLength,
  { contactsMm, display, repeatsMm = [] }: ReadingCircumstances,
): SourceUncertainty {
  const resolution = resolutionMm(length, display)
  const n = repeatsMm.length
  if (n < ENOUGH_REPEATS)
    return { mm: Math.hypot(...contactsMm, resolution), degreesOfFreedom: Infinity }
  // Each of the n carries its share of the n − 1 degrees, so that their mean has n − 1 again.
  return {
    mm: Math.hypot(sampleDeviation(repeatsMm), resolution),
    degreesOfFreedom: (n - 1) / n,
  }
}

/**
 * Sample standard deviation s, of two or more values, about their mean (JCGM 100, 4.2.2). Two passes
 * and the first value taken off, so that values far from zero lose no digits.
 */
export function sampleDeviation(values: readonly number[]): number {
  const [first = 0] = values
  const shifted = values.map((value) => value - first)
  const mean = shifted.reduce((sum, value) => sum + value, 0) / shifted.length
  const squares = shifted.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  return Math.sqrt(squares / (values.length - 1))
}

/** One standard deviation of a touch with these gauges, in millimetres. */
export function repeatabilityMm(gauges: readonly Gauge[]): number {
  if (gauges.length === 0) return BARE_REPEATABILITY_MM
  return Math.max(
    ...gauges.map(
      (gauge) => declaredMm(gauge.repeatability) ?? GAUGE_FACTS[gauge.kind].repeatabilityMm,
    ),
  )
}

export function gaugeUncertainty(gauge: Gauge): SourceUncertainty {
  const mm =
    (gauge.sizeRough === true ? ROUGH_MM : undefined) ??
    declaredMm(gauge.uncertainty) ??
    gradedMm(gauge) ??
    GAUGE_FACTS[gauge.kind].sizeMm ??
    GROUND_MM
  return { mm, degreesOfFreedom: Infinity }
}

/** A size that nobody measured: as by a rule (common practice, no source). */
const ROUGH_MM = 1

/** A block of a grade lies anywhere within its limits: uniform, limit/√3 (JCGM 100, 4.3.7). */
function gradedMm({ grade, size }: Gauge): number | undefined {
  const nominal = grade && declaredMm(size)
  const limit = nominal === undefined ? undefined : grade && blockLimitMm(nominal, grade)
  return limit === undefined ? undefined : limit / Math.sqrt(3)
}

/** The foot of a gauge, where its height above the plane is declared with how sure it is. */
export const footUncertainty = ({ footUncertainty: declared }: Gauge): SourceUncertainty => ({
  mm: declaredMm(declared) ?? GROUND_MM,
  degreesOfFreedom: Infinity,
})

/** A declared standard uncertainty; undefined where none is: the number is then taken as it is. */
export function declaredUncertainty(
  declared: WrittenLength | undefined,
): SourceUncertainty | undefined {
  const mm = declaredMm(declared)
  return mm === undefined ? undefined : { mm, degreesOfFreedom: Infinity }
}

/** A screw that came from nobody knows where: anything from nothing to its backlash (uniform, counted as nothing). */
export const unknownWay = (lostMotionMm: number): SourceUncertainty => ({
  mm: lostMotionMm / Math.sqrt(3),
  degreesOfFreedom: Infinity,
})

/** A declared uncertainty in millimetres; a number that cannot be read is told by checkDocument. */
function declaredMm(length: WrittenLength | undefined): number | undefined {
  const read = length && readLength(length, { sign: 'not-negative' })
  return read?.ok ? read.value.nm / NANOMETRES_PER.mm : undefined
}
