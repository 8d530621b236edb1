import type { SourceUncertainty } from '../chain/chain'
import { FINEST_DECIMALS, NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength, type ReadLength } from '../length/read-length'
import type { Gauge } from '../setup/sheet'
import { blockLimitMm } from './gauge-block-limits'
import { BARE_REPEATABILITY_MM, GAUGE_FACTS, type GaugeKind } from '../touch/gauge-kinds'

/**
 * Standard uncertainty of gauges whose size nobody certified, in millimetres (from memory, editable
 * on the gauge): ground gauges to 2 µm, marked shims to 5 µm, what is measured by hand to 10 µm.
 */
const CALIBRATION_MM: Readonly<Partial<Record<GaugeKind, number>>> = {
  paper: 0.005,
  card: 0.01,
  plate: 0.01,
  shim: 0.005,
  cutter: 0.01,
}
const GROUND_MM = 0.002

/** A display that steps by q is uniform over ±q/2: q/√12 (JCGM 100, 4.3.7). */
export function resolutionMm(length: ReadLength): number {
  const decimals = Math.min(length.decimals, FINEST_DECIMALS[length.unit])
  return (NANOMETRES_PER[length.unit] / NANOMETRES_PER.mm) * 10 ** -decimals * Math.sqrt(1 / 12)
}

/**
 * A screw whose lost motion nobody declared: somewhere from nothing to 0.02 mm (from memory; declared
 * on the machine, it counts exactly). We count with nothing, so the standard uncertainty is the root
 * mean square of that range: 0.02/√3.
 */
export const UNKNOWN_LOST_MOTION: SourceUncertainty = {
  mm: 0.02 / Math.sqrt(3),
  degreesOfFreedom: Infinity,
}

/** With fewer repeats than this, what the method is known to repeat to says more than they do. */
const ENOUGH_REPEATS = 5

/**
 * A touch repeats as its gauge does (the coarsest of several; 0.02 mm bare), and is read to a step.
 * Five or more repeats speak for themselves: their sample standard deviation is taken instead, with
 * its degrees of freedom (JCGM 100, 4.2.3).
 *
 * @param repeatsMm every standing touch of the same kind, this one included, in millimetres.
 */
export function readingUncertainty(
  length: ReadLength,
  gauges: readonly Gauge[],
  repeatsMm: readonly number[] = [],
): SourceUncertainty {
  const resolution = resolutionMm(length)
  const n = repeatsMm.length
  if (n < ENOUGH_REPEATS)
    return { mm: Math.hypot(repeatabilityMm(gauges), resolution), degreesOfFreedom: Infinity }
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
      (gauge) => written(gauge.repeatability) ?? GAUGE_FACTS[gauge.kind].repeatabilityMm,
    ),
  )
}

export function gaugeUncertainty(gauge: Gauge): SourceUncertainty {
  const mm =
    written(gauge.uncertainty) ?? gradedMm(gauge) ?? CALIBRATION_MM[gauge.kind] ?? GROUND_MM
  return { mm, degreesOfFreedom: Infinity }
}

/** A block of a grade lies anywhere within its limits: uniform, limit/√3 (JCGM 100, 4.3.7). */
function gradedMm({ grade, size }: Gauge): number | undefined {
  const nominal = grade && written(size)
  const limit = nominal === undefined ? undefined : grade && blockLimitMm(nominal, grade)
  return limit === undefined ? undefined : limit / Math.sqrt(3)
}

/** A declared uncertainty in millimetres; a number that cannot be read is told by checkDocument. */
function written(length: WrittenLength | undefined): number | undefined {
  const read = length && readLength(length, { sign: 'not-negative' })
  return read?.ok ? read.value.nm / NANOMETRES_PER.mm : undefined
}
