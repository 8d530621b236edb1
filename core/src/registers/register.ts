import type { Chain } from '../chain/chain'
import type { LengthUnit, Nanometres } from '../length/length'
import type { Face, PlanAxis } from '../touch/touch'
import type { Address } from '../address/address'
import type { OffsetRow } from '../address/row'
import type { KeyInLine } from '../keyin/key-in'
import type { Explanation } from '../slips/slip'
import type { Budget } from '../budget/budget'
import type { Verdict } from '../budget/verdict'
import type { Acceptance, ShortReadBack } from '../facts/bodies/bodies'
import type { StaleReason } from '../freshness/stale'

/** How far a register is to be trusted: the five marks of the interface. */
export const TRUST_STATES = ['not-read', 'read', 'keyed', 'proven', 'stale'] as const

export type TrustState = (typeof TRUST_STATES)[number]

/** What the control last showed for a register, beside what it should show. */
export interface ReadBackVerdict {
  readonly shownText: string
  readonly shownUnit: LengthUnit
  readonly shown: Nanometres
  /** How much of it was typed, where that was not all. */
  readonly way?: ShortReadBack
  readonly equal: boolean
  /** shown − expected: below zero the tool goes too deep, or too far towards minus. */
  readonly error: Nanometres
  /** What the row showed before it was keyed, where somebody looked. */
  readonly before?: Nanometres
  /** Every simple cause that gives what is shown, simplest first; empty when equal. */
  readonly causes: readonly Explanation[]
}

export interface Register {
  /** `H3`, `G54.Z`: the row of the control. */
  readonly address: Address
  readonly kind: 'length' | 'work-offset' | 'diameter'
  readonly state: TrustState
  /** Keys of its own readings that were read on a counter whose zero it would need: it is no number then. */
  readonly unplaced?: readonly string[]
  /** Absent while a reading is missing. */
  readonly chain?: Chain
  readonly value?: Nanometres
  readonly keyIn?: KeyInLine
  /** How it is keyed once the axis has moved away from its touch; where `keyIn` counts from there. */
  readonly keyInElsewhere?: KeyInLine
  readonly readBack?: ReadBackVerdict
  /** The event after which the number no longer holds; its state is then `stale`. */
  readonly stale?: StaleReason
  /** Somebody takes responsibility for the number although it is stale; its state is then as if it held. */
  readonly accepted?: Acceptance
  /** How sure it is, and whether that is enough for what the job needs. */
  readonly budget?: Budget
  readonly fitness?: Verdict
}

/** A size that two faces imply, held against the drawing. */
export interface ImpliedSize {
  readonly row: OffsetRow
  readonly axis: PlanAxis
  readonly chain: Chain
  readonly implied: Nanometres
  readonly drawing: Nanometres
  readonly tolerance: Nanometres
  readonly agrees: boolean
  /** What would explain a disagreement, simplest first. */
  readonly causes: readonly Explanation[]
}

/** How far an edge is turned, and what that costs over the part. */
export interface EdgeAngle {
  readonly row: OffsetRow
  readonly face: Face
  /** The axis that the edge runs along. */
  readonly along: PlanAxis
  /** Counter-clockwise seen from above. */
  readonly radians: number
  /** The run-out as a chain, with its uncertainty. */
  readonly chain: Chain
  /** How much the far end lies off over the part's length. */
  readonly runOut: Nanometres
  /** What it may be, and whether it is; absent where the sheet does not say. */
  readonly tolerance?: Nanometres
  readonly agrees?: boolean
}

/** The registers as they are shown: what proofs, programs and pictures are held against. */
export interface Shown {
  readonly unit: LengthUnit
  /** Decimals of the control profile in this unit. */
  readonly decimals: number
  readonly registers: readonly Register[]
}
