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

/**
 * What the jaws hold and what stands out of them (docs/domain.md, “Holding”).
 *
 * @example clamping({ stock: 40_000_000, jaw: 50_000_000, parallels: 38_000_000 }).grip // 12_000_000
 */
export function clamping({ stock, jaw, parallels }: Clamping): ClampingResult {
  const grip = toNanometres(jaw - parallels)
  return {
    grip,
    protrusion: toNanometres(stock - Math.max(grip, 0)),
    holds: grip > 0 && grip <= stock,
  }
}

/** Whether the deepest side cut stays clear of the jaws: depth ≤ protrusion − margin. */
export const clearsJaws = (
  deepestSideCut: Nanometres,
  protrusion: Nanometres,
  margin: Nanometres,
): boolean => deepestSideCut <= protrusion - margin
