/** `fit`: surely inside; `undecided`: the uncertainty reaches over the limit; `unfit`: surely outside. */
export type Verdict = 'fit' | 'undecided' | 'unfit'

/**
 * Conformity of a measured deviation with a tolerance by ISO 14253-1: inside the tolerance less U is
 * fit, outside the tolerance plus U is unfit, between is undecided.
 *
 * @param deviationMm measured − nominal.
 * @param toleranceMm half-width of the tolerance zone.
 * @param expandedMm U of the measured value.
 * @waits for the first part's own measurements (step 8).
 */
export function conformity(deviationMm: number, toleranceMm: number, expandedMm: number): Verdict {
  const away = Math.abs(deviationMm)
  if (away <= toleranceMm - expandedMm) return 'fit'
  return away > toleranceMm + expandedMm ? 'unfit' : 'undecided'
}

/** Shops aim for U of at most a quarter of the tolerance (common practice, no source). */
const SHOP_SHARE = 0.25

/** The U that a shop aims for, given what the job needs. */
export const aimedMm = (needMm: number): number => needMm * SHOP_SHARE

/** Whether a register is known well enough for what the job needs. */
export function fitness(expandedMm: number, needMm: number): Verdict {
  if (expandedMm <= aimedMm(needMm)) return 'fit'
  return expandedMm <= needMm ? 'undecided' : 'unfit'
}
