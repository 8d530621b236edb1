import type { MachineAxis, OffsetRow } from '../address/row'
import type { Face } from '../touch/touch'

/** Something of the shop that readings speak of, and that an event makes another: it then has another generation. */
export type State =
  /** Height of the setting plane. */
  | { readonly of: 'plane' }
  /** Nose to tip of a tool, and its diameter over the widest points. */
  | { readonly of: 'length'; readonly tool: number }
  | { readonly of: 'diameter'; readonly tool: number }
  /** Stock top of a part, one of its faces, the middle of its bore or boss. */
  | { readonly of: 'top'; readonly row: OffsetRow }
  | { readonly of: 'face'; readonly row: OffsetRow; readonly face: Face }
  | { readonly of: 'centre'; readonly row: OffsetRow }
  /** What a gauge measures. */
  | { readonly of: 'gauge'; readonly gauge: string }
  /** Where the relative counter of an axis shows zero, in machine position. */
  | { readonly of: 'counter'; readonly axis: MachineAxis }
  /** Where the machine counts from. */
  | { readonly of: 'zero'; readonly axis: MachineAxis }

/** A state in an equation: read = Σ coefficient × state. */
export interface StateTerm {
  readonly state: State
  readonly coefficient: number
}

/** A state with coefficient 1, or the one that is given. */
export const term = (state: State, coefficient = 1): StateTerm => ({ state, coefficient })
