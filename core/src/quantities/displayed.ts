import type { Address } from '../address/address'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { WrittenLength } from '../length/length'

/**
 * Which of the positions on the display was read, where it was not the machine's:
 * - `counter`: the relative counter. Its zero is an unknown that cancels between two readings of one zeroing;
 * - `counter-from`: the relative counter, zeroed at this same surface with the same things between: by the bare nose (null) or
 *   by another tool. It then shows how much longer this tool is, whatever the machine's zero;
 * - `work`: the work position. What the active row and the active length held then makes a machine position of it.
 */
export type DisplayedPosition =
  | { readonly of: 'counter' }
  | { readonly of: 'counter-from'; readonly tool: number | null }
  | {
      readonly of: 'work'
      readonly row: OffsetRow
      /** What that row showed, by axis. */
      readonly holds: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
      /** In Z: the length register that was active, and what it showed; absent where none was. */
      readonly length?: { readonly address: Address; readonly holds: WrittenLength }
    }

/** What of a reading tells which number of the display it is. */
export interface Displayed {
  readonly position?: DisplayedPosition
}

/** On the relative counter as it was zeroed last: its zero is one more unknown. */
export const isOnCounter = ({ position }: Displayed): boolean => position?.of === 'counter'

/** The tool, or the bare nose, that the counter was zeroed with on this same surface; undefined where it was not. */
export const countedFrom = ({ position }: Displayed): number | null | undefined =>
  position?.of === 'counter-from' ? position.tool : undefined
