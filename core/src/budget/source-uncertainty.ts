import type { SourceUncertainty } from '../chain/chain'
import { FINEST_DECIMALS, NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength, type ReadLength } from '../length/read-length'
import type { Gauge } from '../setup/sheet'
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
 * A touch repeats as its gauge does (the coarsest of several; 0.02 mm bare), and is read to a step.
 * Both are taken as known, with infinite degrees of freedom.
 */
export function readingUncertainty(
  length: ReadLength,
  gauges: readonly Gauge[],
): SourceUncertainty {
  const repeatability = repeatabilityMm(gauges)
  return { mm: Math.hypot(repeatability, resolutionMm(length)), degreesOfFreedom: Infinity }
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
  const mm = written(gauge.uncertainty) ?? CALIBRATION_MM[gauge.kind] ?? GROUND_MM
  return { mm, degreesOfFreedom: Infinity }
}

/** A declared uncertainty in millimetres; a number that cannot be read is told by checkDocument. */
function written(length: WrittenLength | undefined): number | undefined {
  const read = length && readLength(length, { sign: 'not-negative' })
  return read?.ok ? read.value.nm / NANOMETRES_PER.mm : undefined
}
