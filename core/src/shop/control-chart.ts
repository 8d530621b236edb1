/** How many moving ranges make one standard deviation: d2 of two values. NIST/SEMATECH e-Handbook 6.3.2.2. */
const D2_OF_TWO = 1.128

/** Why a point, or those that end in it, is not chance. Rules of the Western Electric handbook (1956), as the e-Handbook lists them in 6.3.2 (from memory). */
export const CHART_SIGNALS = [
  'beyond-limit',
  'two-of-three',
  'four-of-five',
  'eight-on-a-side',
] as const

export type ChartSignal = (typeof CHART_SIGNALS)[number]

export interface ChartPoint {
  readonly value: number
  /** Signals that this point completes. */
  readonly signals: readonly ChartSignal[]
}

/** An individuals and moving range chart. All numbers in the unit of its values. */
export interface ControlChart {
  readonly mean: number
  /** Mean of the distances of neighbours. */
  readonly movingRange: number
  /** Standard deviation of one value: the mean moving range over d2. */
  readonly sigma: number
  readonly upper: number
  readonly lower: number
  readonly points: readonly ChartPoint[]
}

/**
 * Individuals and moving range chart: mean ± 3 · MR̄ / 1.128.
 *
 * @param values in the order in which they were read; at least two.
 * @param baseline how many of them, the first ones, the limits are taken from; all where it is not said. What is watched
 * for a drift has to be held against limits that the drift has not moved.
 * @returns undefined for fewer than two values in the baseline: nothing tells how they scatter.
 * @example
 *   // NIST/SEMATECH e-Handbook of Statistical Methods 6.3.2.2
 *   controlChart([49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1])?.upper // 55.8041
 */
export function controlChart(
  values: readonly number[],
  baseline = values.length,
): ControlChart | undefined {
  const base = values.slice(0, baseline)
  const ranges = base.slice(1).map((value, index) => Math.abs(value - (base[index] ?? value)))
  if (ranges.length === 0) return undefined
  const [mean, movingRange] = [meanOf(base), meanOf(ranges)]
  const sigma = movingRange / D2_OF_TWO
  return {
    mean,
    movingRange,
    sigma,
    upper: mean + 3 * sigma,
    lower: mean - 3 * sigma,
    points: values.map((value, index) => ({
      value,
      signals: signalsAt(values.slice(0, index + 1), mean, sigma),
    })),
  }
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

/** The signals that the last of some values completes. */
function signalsAt(values: readonly number[], mean: number, sigma: number): readonly ChartSignal[] {
  const off = values.map((value) => value - mean)
  const last = off.at(-1) ?? 0
  const side = Math.sign(last)
  /** How many of the last ones lie beyond so many standard deviations, on the side of the last one. */
  const beyond = (sigmas: number, among: number) =>
    off.slice(-among).filter((one) => side * one > sigmas * sigma).length
  const isBeyond = (sigmas: number) => Math.abs(last) > sigmas * sigma
  return [
    ...(isBeyond(3) ? (['beyond-limit'] as const) : []),
    ...(isBeyond(2) && beyond(2, 3) >= 2 ? (['two-of-three'] as const) : []),
    ...(isBeyond(1) && beyond(1, 5) >= 4 ? (['four-of-five'] as const) : []),
    ...(beyond(0, 8) === 8 ? (['eight-on-a-side'] as const) : []),
  ]
}
