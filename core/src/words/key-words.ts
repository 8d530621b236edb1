import type { KeyMode } from '../sheet/machine'

/** How to key a number, by what the control does with it. */
export interface KeyWords {
  /** The key to press, in the sentence "then the key that …". */
  readonly does: string
  /** The key not to press. */
  readonly not: string
  /** What to mind, where there is something. */
  readonly mind?: string
  /** Why there is no number to type yet, or why the number itself is stored instead. */
  readonly first: string
}

const words: Readonly<Record<KeyMode, KeyWords>> = {
  set: { does: 'sets', not: 'not the one that adds', first: '' },
  add: {
    does: 'adds',
    not: 'not the one that sets',
    first: 'This control adds to what is there. First read what the row holds now.',
  },
  position: {
    does: 'says “my position is”',
    not: 'not the one that stores a number',
    mind: 'Only while the axis still stands where it touched last: the control works the row out from where it stands.',
    first:
      'This control counts from where the axis stands, and nothing was touched for this row alone. Store the number itself.',
  },
  copy: {
    does: 'adds',
    not: 'not the one that sets',
    mind: 'First copy the machine position into the row, while the axis still stands where it touched last.',
    first:
      'This control copies where the axis stands, and nothing was touched for this row alone. Store the number itself.',
  },
  halve: {
    does: 'says “my position is”',
    not: 'not the one that stores a number',
    mind: 'Zero the counter at the first face, halve it at the second, drive to its zero from the side of the last touch, then type.',
    first:
      'This control halves between two faces, and nothing was touched for this row alone. Store the number itself.',
  },
}

export const describeKeyMode = (mode: KeyMode): KeyWords => words[mode]

/** Which length the control has to have active while a position in Z is told: it works the row out with it. */
export const describeActiveLength = (address: string | null): string =>
  address === null
    ? 'With no length active, G49: the bare position counts.'
    : `With ${address} active, as it was at the touch: the control takes that length off by itself.`
