import {
  addressOfSheet,
  byAxis,
  field,
  length,
  optional,
  recordOf,
  rowOfSheet,
  toolOfSheetOrNone,
  variants,
  type ValueOf,
} from '../fields/shape'

/** Which of the positions on the display was read, where it was not the machine's. */
export const DISPLAYED_POSITION = variants('of', {
  // The relative counter as it was zeroed last. Its zero is an unknown that cancels between two readings of one zeroing.
  counter: {},
  // It then shows how much longer this tool is, whatever the machine's zero.
  'counter-from': {
    tool: field(
      toolOfSheetOrNone,
      'the relative counter was zeroed on this same surface with the same things between: by this tool, or (null) the bare nose',
    ),
  },
  // What the active row and the active length held then makes a machine position of it.
  work: {
    row: field(rowOfSheet, 'that was active'),
    holds: field(byAxis(length), 'what that row showed'),
    length: optional(
      recordOf({
        address: field(addressOfSheet, 'which'),
        holds: field(length, 'what it showed'),
      }),
      'in Z: the length register that was active; none where none was',
    ),
  },
})

export type DisplayedPosition = ValueOf<typeof DISPLAYED_POSITION>

/** What of a reading tells which number of the display it is. */
export interface Displayed {
  readonly position?: DisplayedPosition
}

/** On the relative counter as it was zeroed last: its zero is one more unknown. */
export const isOnCounter = ({ position }: Displayed): boolean => position?.of === 'counter'

/** The tool, or the bare nose, that the counter was zeroed with on this same surface; undefined where it was not. */
export const countedFrom = ({ position }: Displayed): number | null | undefined =>
  position?.of === 'counter-from' ? position.tool : undefined
