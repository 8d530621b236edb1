import type { SlipCode } from '../slips/explain'

export interface SlipWords {
  readonly title: string
  /** What to look at, said to the person at the machine. */
  readonly look: string
}

const words: Readonly<Record<SlipCode, SlipWords>> = {
  'sign-turned': {
    title: 'The sign is turned',
    look: 'Look at the minus: it was left out, or put in.',
  },
  'not-committed': {
    title: 'The old value is still there',
    look: 'The number was typed but the key that stores it was not pressed, or another row was stored.',
  },
  'added-not-set': {
    title: 'It was added instead of set',
    look: 'The control added your number to what was there. Key it again with the key that sets.',
  },
  'digits-swapped': {
    title: 'Two digits changed places',
    look: 'Compare digit by digit, from the left.',
  },
  'decimal-shifted': {
    title: 'The decimal point is in another place',
    look: 'Type the point itself: without one some controls count smallest steps.',
  },
  'unit-inch-for-mm': {
    title: 'Millimetres for inches (25.4)',
    look: 'The number shown is the right one divided by 25.4. Look at the unit of the control and of the set-up.',
  },
  'unit-mm-for-inch': {
    title: 'Inches for millimetres (25.4)',
    look: 'The number shown is the right one times 25.4. Look at the unit of the control and of the set-up.',
  },
  'radius-forgotten': {
    title: 'The sensor tip was not taken into account',
    look: 'Is the edge finder that was used the one that is named here?',
  },
  'radius-doubled': {
    title: 'The whole tip diameter was counted instead of its half',
    look: 'Look at the tip diameter of the edge finder: was its radius entered, or twice its size?',
  },
}

export const describeSlip = (code: SlipCode): SlipWords => words[code]
