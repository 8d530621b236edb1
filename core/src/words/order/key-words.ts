import type { NoStand } from '../../keyin/key-in'
import type { KeyMode } from '../../sheet/machine'

/** How to key a number, by what the control does with it. */
export interface KeyWords {
  /** The key to press, in the sentence "then the key that …". */
  readonly does: string
  /** The key not to press. */
  readonly not: string
  /** What to mind, where there is something. */
  readonly mind?: string
}

const words: Readonly<Record<KeyMode, KeyWords>> = {
  set: { does: 'sets', not: 'not the one that adds' },
  add: { does: 'adds', not: 'not the one that sets' },
  position: {
    does: 'says “my position is”',
    not: 'not the one that stores a number',
    mind: 'Only while the axis still stands at the touch: the control works the row out from where it stands.',
  },
  copy: {
    does: 'adds',
    not: 'not the one that sets',
    mind: 'First copy the machine position into the row, while the axis still stands at the touch.',
  },
  'copy-counter': {
    does: 'adds',
    not: 'not the one that sets',
    mind: 'First copy the relative counter into the row, while the axis still stands at the touch.',
  },
  stored: {
    does: 'stores it',
    not: 'nothing is typed',
    mind: 'The control’s own cycle stores it, while the tool stands at the touch.',
  },
  halve: {
    does: 'says “my position is”',
    not: 'not the one that stores a number',
    mind: 'Zero the counter at the first face, halve it at the second, drive to its zero from the side of the last touch, then type.',
  },
}

export const describeKeyMode = (mode: KeyMode): KeyWords => words[mode]

/** On a control that adds, before anybody knows what the row holds. */
export const READ_ROW_FIRST = 'This control adds to what the row holds. Read the row first.'

/** On a control whose own cycle measures and stores. */
export const STORED_BY_CYCLE = 'The control’s own cycle stores it: nothing is typed. Read the row.'

const BECAUSE: Readonly<Record<NoStand, string>> = {
  'not-touched': 'Nothing was touched for this row alone',
  'moved-away': 'The axis has moved since the touch',
  'length-unread': 'A length is active that was not read back yet',
}

/** Why the number itself is stored, on a control that usually counts from where the axis stands. */
export const describeNoStand = (because: NoStand): string =>
  `${BECAUSE[because]}: store the number itself.`

/** Which length the control has to have active while a position in Z is told: it works the row out with it. */
export const describeActiveLength = (address: string | null): string =>
  address === null
    ? 'With no length active, G49: the bare position counts.'
    : `With ${address} active, as it was at the touch: the control takes that length off by itself.`
