import { toNanometres, type Nanometres } from '../length/length'

export interface Clamping {
  readonly stock: Nanometres
  readonly jaw: Nanometres
  readonly parallels: Nanometres
}

export interface ClampingResult {
  /** How deep the jaws hold the stock: jaw height − parallels. Zero or less is an error of the sheet. */
  readonly grip: Nanometres
  /** How far the stock stands out: stock − grip. */
  readonly protrusion: Nanometres
  readonly holds: boolean
}

/** What the jaws hold and what stands out of them (domain.md §15). */
export function clamping({ stock, jaw, parallels }: Clamping): ClampingResult {
  const grip = toNanometres(jaw - parallels)
  return {
    grip,
    protrusion: toNanometres(stock - Math.max(grip, 0)),
    holds: grip > 0 && grip <= stock,
  }
}

/**
 * The parallels of a set that give a wanted grip, or the closest that hold at least that much; undefined where none do.
 *
 * @waits for parallels that are offered where the grip is too small (step 8).
 */
export function chooseParallels(
  set: readonly Nanometres[],
  jaw: Nanometres,
  grip: Nanometres,
): Nanometres | undefined {
  const holding = set.filter((height) => jaw - height >= grip)
  return holding.length === 0
    ? undefined
    : holding.reduce((best, height) => (height > best ? height : best))
}

/** Whether the deepest side cut stays clear of the jaws: depth ≤ protrusion − margin. */
export const clearsJaws = (
  deepestSideCut: Nanometres,
  protrusion: Nanometres,
  margin: Nanometres,
): boolean => deepestSideCut <= protrusion - margin
