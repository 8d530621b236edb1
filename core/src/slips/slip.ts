import type { Chain } from '../chain/chain'
import type { LengthUnit, Nanometres } from '../length/length'
import type { KeyMode } from '../sheet/machine'

/** Simplest first: this order is the order in which causes are named. */
export const SLIP_CODES = [
  'not-committed',
  'sign-turned',
  'unit-inch-for-mm',
  'unit-mm-for-inch',
  'decimal-shifted',
  'radius-for-diameter',
  'gauge-forgotten',
  'radius-forgotten',
  'facing-forgotten',
  'drawing-forgotten',
  'counter-end-mistaken',
  'half-not-taken',
  'sum-not-halved',
  'half-keyed',
  'reading-sign-lost',
  'raw-counter',
  'gauge-doubled',
  'gauge-exchanged',
  'work-position',
  'other-face-misread',
  'radius-doubled',
  'facing-doubled',
  'added-not-set',
  'set-not-added',
  'other-row',
  'constant-forgotten',
  'constant-wrong-sign',
  'lost-motion-forgotten',
  'lost-motion-wrong-sign',
  'digits-swapped',
  'gauge-wrong-sign',
  'radius-wrong-side',
  'facing-wrong-side',
  'drawing-wrong-sign',
  'raw-position',
  'digit-missing',
  'digit-doubled',
  'digit-wrong',
] as const

export type SlipCode = (typeof SLIP_CODES)[number]

/** One way in which the observed number could have come about. */
export interface Explanation {
  readonly code: SlipCode
  /** What this slip gives, before rounding. */
  readonly gives: Nanometres
  /** The gauge, the reading or the register that it is about. */
  readonly about?: string
  /** A second slip on top of the first, where no single one explains it. */
  readonly and?: { readonly code: SlipCode; readonly about?: string }
}

/**
 * What two explanations differ by: `gauge-forgotten`, or `gauge-forgotten+sign-turned`.
 *
 * @example causeName({ code: 'sign-turned' }) // 'sign-turned'
 */
export const causeName = ({ code, and }: Pick<Explanation, 'code' | 'and'>): string =>
  and === undefined ? code : `${code}+${and.code}`

/** A number of the set-up that may have slipped in, or out. */
export interface KnownSize {
  readonly name: string
  readonly nm: Nanometres
}

export interface Comparison {
  readonly expected: Nanometres
  readonly observed: Nanometres
  readonly unit: LengthUnit
  /** Decimals of the display that the observed number was read from. */
  readonly decimals: number
  /** How far a cause may miss the observed number and still explain it; a display step by default. */
  readonly within?: Nanometres
  /** What the expected number is made of: each of its terms may have been dropped, doubled or turned. */
  readonly chain?: Chain
  /** What the register held before it was keyed, and how it was keyed. */
  readonly before?: Nanometres
  readonly mode?: KeyMode
  /** Gauges of the set-up: one that cancels out of the chain can be forgotten at one of its touches. */
  readonly gauges?: readonly KnownSize[]
  /** Other registers: another row or axis may have been typed, or read. */
  readonly others?: readonly KnownSize[]
  /** A D register may hold a radius for a diameter. */
  readonly kind?: 'length' | 'work-offset' | 'diameter' | 'size'
}
