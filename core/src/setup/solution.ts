import type { Chain } from '../chain/chain'
import type { LengthUnit, Nanometres } from '../length/length'
import type { Problem } from '../problem'
import type { Face, PlanAxis } from '../touch/touch'
import type { KeyInLine } from '../keyin/key-in'
import type { Explanation } from '../slips/slip'
import type { Budget } from '../budget/budget'
import type { Verdict } from '../budget/verdict'
import type { ProofVerdict } from '../proof/proven'
import type { HoldingVerdict } from '../workholding/holding'
import type { Acceptance } from './document'
import type { StaleReason } from '../freshness/stale'
import type { MachineAxis, OffsetRow } from './sheet'

/** How far a register is to be trusted: the five marks of the interface. */
export const TRUST_STATES = ['not-read', 'read', 'keyed', 'proven', 'stale'] as const

export type TrustState = (typeof TRUST_STATES)[number]

/** What the control last showed for a register, beside what it should show. */
export interface ReadBackVerdict {
  readonly shownText: string
  readonly shownUnit: LengthUnit
  readonly shown: Nanometres
  readonly equal: boolean
  /** shown − expected: below zero the tool goes too deep, or too far towards minus. */
  readonly error: Nanometres
  /** Every simple cause that gives what is shown, simplest first; empty when equal. */
  readonly causes: readonly Explanation[]
}

export interface Register {
  /** `H3`, `G54.Z`: the row of the control. */
  readonly address: string
  readonly kind: 'length' | 'work-offset' | 'diameter'
  readonly state: TrustState
  /** Absent while a reading is missing. */
  readonly chain?: Chain
  readonly value?: Nanometres
  readonly keyIn?: KeyInLine
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

export const WARNING_CODES = [
  'size-differs',
  'faces-swapped',
  'length-not-positive',
  'repeats-spread',
  'no-sensor',
  'outside-travel',
  'digits-missing',
  'approach-mixed',
  'edge-turned',
  'spindle-tool-differs',
  'control-tool-differs',
  'differs-from-last-time',
  'read-back-differs',
  'proof-differs',
  'lift-active',
  'no-grip',
  'little-grip',
  'side-cut-meets-jaws',
] as const

export type WarningCode = (typeof WARNING_CODES)[number]

/** Something that a machinist should look at before going on. Words: words/warning-words.ts. */
export interface Warning {
  readonly code: WarningCode
  /** Register address, or the quantity's key. */
  readonly place: string
  /** Of a place that is read on two axes: which one it is about. */
  readonly axis?: MachineAxis
  readonly amount?: Nanometres
  readonly limit?: Nanometres
  /** Slips that would explain it, simplest first. */
  readonly causes?: readonly Explanation[]
  /** Tools, where it is about two: the one in the spindle and the one that the control takes for active. */
  readonly tools?: readonly (number | null)[]
}

/** Good to know, and no reason to stop: a number that is meant as it was typed is not asked for twice. */
export const isRemark = ({ code }: Warning): boolean => code === 'digits-missing'

/** Z planes and lengths that the pictures are drawn from; each absent until it is known. */
export interface Heights {
  /** S: machine Z at which the bare nose would touch the setting plane. */
  readonly noseOnPlane?: Chain
  /** S + L by tool number: machine Z at which that tip would touch the setting plane. */
  readonly tipOnPlane: ReadonlyMap<number, Chain>
  /** R by work offset: machine Z at which the bare nose would touch the raw top; only where it did. */
  readonly noseOnPart: ReadonlyMap<OffsetRow, Chain>
  /** R + L by `row tool`: machine Z at which that tip would touch that raw top; only where it did. */
  readonly tipOnPart: ReadonlyMap<string, Chain>
  /** Raw top above the setting plane (R − S), by work offset. */
  readonly partTop: ReadonlyMap<OffsetRow, Chain>
  /** Program zero above the setting plane (P − S), by work offset. */
  readonly zero: ReadonlyMap<OffsetRow, Chain>
  /** G: what the school's lengths are counted from (schools.ts). */
  readonly reference?: Chain
}

export interface Solution {
  readonly unit: LengthUnit
  /** Decimals of the control profile in this unit. */
  readonly decimals: number
  readonly registers: readonly Register[]
  readonly sizes: readonly ImpliedSize[]
  readonly edges: readonly EdgeAngle[]
  readonly heights: Heights
  /** What the last proof of each work offset with each tool says. */
  readonly proofs: readonly ProofVerdict[]
  /** How the part is held; absent where the sheet does not say. */
  readonly holding?: HoldingVerdict
  /** Machine position of each face that was read, by quantity key. */
  readonly faces: ReadonlyMap<string, Chain>
  readonly warnings: readonly Warning[]
  /** Parts of the document that could not be used, each with its path. */
  readonly problems: readonly Problem[]
}
