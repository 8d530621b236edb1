import type { Explanation, SlipCode } from '../../slips/slip'

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
    title: 'Not stored: the key was not pressed',
    look: 'The row shows what it held before. Press the key that stores it, and look that it is this row.',
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
  'radius-for-diameter': {
    title: 'A radius for a diameter, or a diameter for a radius',
    look: 'Look at what the D rows of this control hold.',
  },
  'gauge-forgotten': {
    title: 'What lay between was forgotten',
    look: 'Was there a setter, a block or paper at one of the touches that was not taken off?',
  },
  'gauge-doubled': {
    title: 'What lay between was counted twice',
    look: 'It is taken off once, by us or by hand, not by both.',
  },
  'gauge-exchanged': {
    title: 'Another gauge lay between than the one that is named',
    look: 'Look at what lies there now. Tap its name above the number to say another.',
  },
  'work-position': {
    title: 'It is the work position, not the machine’s',
    look: 'Look which number on the screen it is. Tap “Machine” above the number to read another.',
  },
  'other-face-misread': {
    title: 'The face before was misread',
    look: 'Touch that face again, and read it digit by digit.',
  },
  'gauge-wrong-sign': {
    title: 'What lay between was added instead of taken off',
    look: 'A touch on a gauge stands higher than the surface, so the gauge is taken off.',
  },
  'radius-forgotten': {
    title: 'The sensor tip was not taken into account',
    look: 'Is the edge finder that was used the one that is named here?',
  },
  'radius-doubled': {
    title: 'The whole tip diameter was counted instead of its half',
    look: 'Look at the tip diameter of the edge finder: was its radius entered, or twice its size?',
  },
  'radius-wrong-side': {
    title: 'The tip was counted to the wrong side',
    look: 'Which face was touched? The spindle stands outside of it by the radius of the tip.',
  },
  'facing-forgotten': {
    title: 'The facing allowance is missing',
    look: 'Zero lies below the stock top: go back to the sheet.',
  },
  'facing-doubled': {
    title: 'The facing allowance was counted twice',
    look: 'It is in the number already.',
  },
  'facing-wrong-side': {
    title: 'The facing allowance was added instead of taken off',
    look: 'Zero lies below the stock top, not above it.',
  },
  'drawing-forgotten': {
    title: 'The drawing coordinate of the face is missing',
    look: 'The register holds where zero lies, not where the face lies.',
  },
  'drawing-wrong-sign': {
    title: 'The drawing coordinate has the other sign',
    look: 'A face left of zero has a minus in the program.',
  },
  'counter-end-mistaken': {
    title: 'The counter was zeroed at the other end',
    look: 'Zeroed on the plane and read on the part, or the other way round: the sign turns.',
  },
  'half-not-taken': {
    title: 'The half was not taken',
    look: 'The middle lies half the distance from either face.',
  },
  'sum-not-halved': {
    title: 'The two faces were summed, and the sum was not halved',
    look: 'The middle is half the sum of the two faces.',
  },
  'half-keyed': {
    title: 'Only half of the correction was keyed',
    look: 'The row stands half way between what it held and what it should hold.',
  },
  'reading-sign-lost': {
    title: 'The sign of a reading was lost',
    look: 'Look at the minus of the machine position that was read at the touch.',
  },
  'raw-counter': {
    title: 'The counter was stored as it was read',
    look: 'What the counter shows is not yet the offset: what lay between, the facing and the sign are still to come.',
  },
  'constant-wrong-sign': {
    title: 'A declared length or constant was counted the other way',
    look: 'Look at the known lengths, the external offset and the quill of the sheet: added, or taken off?',
  },
  'lost-motion-forgotten': {
    title: 'The backlash of the screw was not taken off',
    look: 'The axis was met from its other side: what it shows too much is to be taken off.',
  },
  'lost-motion-wrong-sign': {
    title: 'The backlash of the screw was counted the other way',
    look: 'It is taken off where the axis came towards plus.',
  },
  'set-not-added': {
    title: 'It was set instead of added',
    look: 'The control replaced what was there by your number. Key it again with the key that adds.',
  },
  'other-row': {
    title: 'It is the value of another row',
    look: 'Look at the row and the axis: the number belongs to another one.',
  },
  'constant-forgotten': {
    title: 'A declared length or constant is missing',
    look: 'Look at the known lengths, the external offset and the quill of the sheet.',
  },
  'raw-position': {
    title: 'A raw machine position was stored',
    look: 'The number was read at the machine, but not yet made into an offset.',
  },
  'digit-missing': { title: 'A digit is missing', look: 'Count the digits, from the left.' },
  'digit-doubled': {
    title: 'A digit was typed twice',
    look: 'Look for two of the same side by side, and count the digits.',
  },
  'digit-wrong': {
    title: 'One digit was misread',
    look: 'Read the display once more: 3 and 8, 6 and 0, 1 and 7 look alike.',
  },
}

/** A cause in words: of one slip, or of two at once. */
export function describeCause({ code, and }: Pick<Explanation, 'code' | 'and'>): SlipWords {
  const first = words[code]
  if (and === undefined) return first
  const second = words[and.code]
  const title = second.title.charAt(0).toLowerCase() + second.title.slice(1)
  return { title: `${first.title}, and ${title}`, look: `${first.look} ${second.look}` }
}
