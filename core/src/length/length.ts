declare const nanometres: unique symbol

/**
 * A length as a whole number of nanometres, so that sums of readings never drift.
 *
 * One inch is 25 400 000 nm exactly (25.4 mm; NIST SP 811, ISO 80000-3), so 0.000 001 mm and
 * 0.000 01 in are both whole numbers. Doubles hold whole numbers to 9 007 km in nanometres.
 */
export type Nanometres = number & { readonly [nanometres]: true }

export type LengthUnit = 'mm' | 'in'

export const LENGTH_UNITS = ['mm', 'in'] as const satisfies readonly LengthUnit[]

/** Exact: 25.4 mm to the inch. */
export const NANOMETRES_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1_000_000,
  in: 25_400_000,
}

/** The most decimals that are still a whole number of nanometres in each unit. */
export const FINEST_DECIMALS: Readonly<Record<LengthUnit, number>> = { mm: 6, in: 5 }

/** A length exactly as a person or an instrument gave it. */
export interface WrittenLength {
  readonly text: string
  readonly unit: LengthUnit
}

/**
 * Rounds to the nearest nanometre, halves away from zero, and never yields minus zero.
 *
 * @example toNanometres(-0.4) // 0
 */
export function toNanometres(value: number): Nanometres {
  const rounded = value < 0 ? -Math.round(-value) : Math.round(value)
  return (rounded === 0 ? 0 : rounded) as Nanometres
}

/**
 * The other unit: what the "mm ⇄ in" key changes to.
 *
 * @example otherUnit('mm') // 'in'
 */
export const otherUnit = (unit: LengthUnit): LengthUnit => (unit === 'mm' ? 'in' : 'mm')
