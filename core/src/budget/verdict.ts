/** `fit`: surely inside; `undecided`: the uncertainty reaches over the limit; `unfit`: surely outside. */
export type Verdict = 'fit' | 'undecided' | 'unfit'

/** What a drawing allows of a feature, from nominal, in millimetres. */
export interface Limits {
  readonly lower: number
  readonly upper: number
}

/**
 * Conformity of a measured deviation with its limits by ISO 14253-1: inside them by U or more is fit, outside by more than U is
 * unfit, between is undecided.
 *
 * @param deviationMm measured − nominal.
 * @param expandedMm U of the measured value.
 * @example conformity(0.015, { lower: -0.02, upper: 0.02 }, 0.006) // 'undecided'
 */
export function conformity(
  deviationMm: number,
  { lower, upper }: Limits,
  expandedMm: number,
): Verdict {
  const inside = Math.min(upper - deviationMm, deviationMm - lower)
  if (inside >= expandedMm) return 'fit'
  return inside < -expandedMm ? 'unfit' : 'undecided'
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
