import { NANOMETRES_PER, toNanometres, type LengthUnit, type Nanometres } from './length'

/**
 * Writes a length with a fixed number of decimals and an explicit decimal point.
 *
 * On some controls "10" without a point means ten smallest steps (common practice, no source),
 * so at least one decimal is always written. Halves round away from zero; minus zero is never written.
 *
 * @param decimals 1 to 6; the display step is 10^-decimals of the unit.
 * @example formatLength(-30_000_000, 'mm', 3) // '-30.000'
 */
export function formatLength(nm: Nanometres, unit: LengthUnit, decimals: number): string {
  if (!Number.isInteger(decimals) || decimals < 1 || decimals > 6)
    throw new RangeError(`formatLength writes 1 to 6 decimals, got ${decimals}`)
  const steps = stepsOf(nm, unit, decimals)
  const digits = String(Math.abs(steps)).padStart(decimals + 1, '0')
  const point = digits.length - decimals
  return `${steps < 0 ? '-' : ''}${digits.slice(0, point)}.${digits.slice(point)}`
}

/**
 * A length in whole display steps (0.001 mm, 0.0001 in …), halves away from zero.
 *
 * @example stepsOf(1_234_500, 'mm', 3) // 1235
 */
export function stepsOf(nm: Nanometres, unit: LengthUnit, decimals: number): number {
  return toNanometres((nm * 10 ** decimals) / NANOMETRES_PER[unit])
}

/**
 * The length that a display shows once it has rounded: compare read-backs with this.
 *
 * @example roundToDisplay(1_234_500, 'mm', 3) // 1_235_000
 */
export function roundToDisplay(nm: Nanometres, unit: LengthUnit, decimals: number): Nanometres {
  return toNanometres((stepsOf(nm, unit, decimals) * NANOMETRES_PER[unit]) / 10 ** decimals)
}
