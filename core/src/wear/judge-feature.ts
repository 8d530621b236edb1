import { expandedOf } from '../budget/measured-mean'
import { conformity, type Limits, type Verdict } from '../budget/verdict'
import type { Measured, MeasuringGauge } from '../facts/bodies/measured'
import { formatLength } from '../length/format-length'
import { FINEST_DECIMALS, NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import type { Gauge } from '../sheet/gauge'
import { GAUGE_FACTS } from '../touch/gauge-kinds'

/** A feature of the first part, held against the drawing. */
export interface JudgedFeature {
  /** Mean of the readings − nominal. */
  readonly deviation: Nanometres
  /** U of the mean, k = 2; undefined where nobody said what it was measured with. */
  readonly expandedMm?: number
  /** What the drawing allows, from nominal; undefined where nobody typed it. */
  readonly limits?: { readonly lower: Nanometres; readonly upper: Nanometres }
  /** By ISO 14253-1; undefined without limits, or without a gauge. */
  readonly verdict?: Verdict
}

const mm = (nm: number): number => nm / NANOMETRES_PER.mm

/** Holds what was measured of a feature against the drawing; undefined where a number of it cannot be read. */
export function judgeFeature(measured: Measured): JudgedFeature | undefined {
  const nominal = nanometresOf(measured.nominal)
  const mean = meanMeasured(measured)
  if (nominal === undefined || mean === undefined) return undefined
  const deviation = toNanometres(mean - nominal)
  const limits = limitsOf(measured)
  const expandedMm = expandedMeasuredMm(measured)
  return {
    deviation,
    ...(limits && { limits }),
    ...(expandedMm !== undefined && { expandedMm }),
    ...(limits !== undefined &&
      expandedMm !== undefined && {
        verdict: conformity(mm(deviation), inMm(limits), expandedMm),
      }),
  }
}

const inMm = ({ lower, upper }: NonNullable<JudgedFeature['limits']>): Limits => ({
  lower: mm(lower),
  upper: mm(upper),
})

/** The mean of what was measured; undefined while one of its readings cannot be read. */
export function meanMeasured({ measured, more = [] }: Measured): Nanometres | undefined {
  const values = [measured, ...more].map((one) => nanometresOf(one))
  const read = values.filter((nm) => nm !== undefined)
  return read.length < values.length
    ? undefined
    : toNanometres(Math.round(read.reduce<number>((sum, nm) => sum + nm, 0) / read.length))
}

function limitsOf({ tolerance }: Measured): JudgedFeature['limits'] {
  const upper = nanometresOf(tolerance?.upper)
  if (tolerance === undefined || upper === undefined) return undefined
  const lower =
    tolerance.lower === undefined ? toNanometres(0 - upper) : nanometresOf(tolerance.lower)
  return lower === undefined || lower > upper ? undefined : { lower, upper }
}

/** U of the mean of what was measured, k = 2, millimetres; undefined where nobody said what it was measured with. */
export function expandedMeasuredMm({
  measured,
  more = [],
  instrument,
}: Measured): number | undefined {
  const repeatability = nanometresOf(instrument?.repeatability)
  const uncertainty = nanometresOf(instrument?.uncertainty)
  const read = readLength(measured)
  if (repeatability === undefined || uncertainty === undefined || !read.ok) return undefined
  return expandedOf(read.value, {
    ...{ repeatabilityMm: mm(repeatability), gaugeMm: mm(uncertainty), readings: 1 + more.length },
  })
}

/** Standard uncertainty of a hand instrument that has no certificate, millimetres (from memory). */
const UNCERTIFIED_MM = 0.002

/** A gauge of the shop as what a part is measured with. */
export function measuringGauge({
  name,
  kind,
  size,
  repeatability,
  uncertainty,
}: Pick<Gauge, 'name' | 'kind' | 'size' | 'repeatability' | 'uncertainty'>): MeasuringGauge {
  const written = (millimetres: number) => ({
    text: formatLength(
      toNanometres(Math.round(millimetres * NANOMETRES_PER.mm)),
      size.unit,
      FINEST_DECIMALS[size.unit],
    ),
    unit: size.unit,
  })
  return {
    name,
    repeatability: repeatability ?? written(GAUGE_FACTS[kind].repeatabilityMm),
    uncertainty: uncertainty ?? written(GAUGE_FACTS[kind].sizeMm ?? UNCERTIFIED_MM),
  }
}

/** Whether a gauge measures sizes of a part: a micrometer does. */
export const measuresParts = ({ kind }: Pick<Gauge, 'kind'>): boolean =>
  GAUGE_FACTS[kind].only?.includes('diameter') === true
