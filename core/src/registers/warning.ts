import type { Nanometres, WrittenLength } from '../length/length'
import type { MachineAxis } from '../address/row'
import type { Explanation } from '../slips/slip'

export const WARNING_CODES = [
  'size-differs',
  'faces-swapped',
  'length-not-positive',
  'repeats-spread',
  'no-sensor',
  'counter-zero-unknown',
  'gauge-size-unknown',
  'outside-travel',
  'digits-missing',
  'approach-mixed',
  'ways-differ',
  'known-length-differs',
  'gauge-size-differs',
  'edge-turned',
  'spindle-tool-differs',
  'control-tool-differs',
  'differs-from-last-time',
  'kept-differs',
  'kept-moved',
  'keyed-by-two',
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
  /** Of two ways to one height: the other one, by its quantity's key. */
  readonly beside?: string
  /** Slips that would explain it, simplest first. */
  readonly causes?: readonly Explanation[]
  /** People, where it is about what two of them did: who, and what the control showed each. */
  readonly people?: readonly { readonly name: string; readonly shown: WrittenLength }[]
  /** Tools, where it is about two: the one in the spindle and the one that the control takes for active. */
  readonly tools?: readonly (number | null)[]
}

/** Good to know, and no reason to stop: a number that is meant as it was typed is not asked for twice. */
export const isRemark = ({ code }: Warning): boolean => code === 'digits-missing'
