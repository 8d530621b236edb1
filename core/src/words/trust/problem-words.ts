import type { Problem, ProblemCode } from '../../problem/problem'
import { typographic } from '../typographic'

/** What a person reads about a problem: what is wrong, what was expected, what to do. */
export interface ProblemWords {
  readonly message: string
  readonly expected: string
  readonly remedy: string
}

const aNumber = 'digits with at most one decimal point, such as -218.462'

const words: Readonly<Record<ProblemCode, (problem: Problem) => ProblemWords>> = {
  'face-spared': ({ received }) => ({
    message: `The ${received} face is not to be touched, and a zero is found by it.`,
    expected: 'a zero that is found without it',
    remedy: 'Touch the face across, or find that axis another way.',
  }),
  'length-register-missing': () => ({
    message: 'This tool has no length register.',
    expected: 'the number of its row, such as 3 for H3',
    remedy: 'Give it one; most shops take the number of the tool.',
  }),
  'length-register-unknown': ({ received }) => ({
    message: `The control of this machine keeps no lengths; there is no ${received}.`,
    expected: 'no length register: Z of the work offset is set anew with each tool',
    remedy: 'Leave it out, or say on the machine that its control keeps lengths.',
  }),
  'place-outside-travel': ({ received, limit }) => ({
    message: `The machine does not go to ${typographic(received)}.`,
    expected: `a machine position within its travel, ${typographic(limit ?? '')}`,
    remedy: 'Drive there and read the machine position off the display, sign and all.',
  }),
  'setter-not-cleared': ({ received, limit }) => ({
    message: `From Z ${typographic(received)} not even a tool of no length clears a top at ${typographic(limit ?? '')}.`,
    expected: `a start above its top, ${limit}`,
    remedy: 'The start is where Z is high; the top is where the bare nose would stand on it.',
  }),
  'quill-beyond-travel': ({ received, limit }) => ({
    message: `A quill that goes out ${limit} cannot be out ${received}.`,
    expected: `at most ${limit}`,
    remedy: 'Read its scale again, or correct on the machine how far it goes.',
  }),
  'length-empty': () => ({
    message: 'There is no number yet.',
    expected: aNumber,
    remedy: 'Type what you read.',
  }),
  'length-not-a-number': ({ received }) => ({
    message: `“${received}” is not a number.`,
    expected: aNumber,
    remedy: 'Type the digits as the display shows them.',
  }),
  'length-two-points': ({ received }) => ({
    message: `“${received}” has two decimal points.`,
    expected: aNumber,
    remedy: 'Take one point out.',
  }),
  'length-comma': ({ received }) => ({
    message: `“${received}” has a comma; it could mean a thousand or a decimal.`,
    expected: 'a decimal point, and no commas',
    remedy: `Write ${received.replace(',', '.')} if the comma is a decimal.`,
  }),
  'length-exponent': ({ received }) => ({
    message: `“${received}” is written with an exponent.`,
    expected: aNumber,
    remedy: 'Write all the digits out.',
  }),
  'length-unit-unknown': ({ received }) => ({
    message: `The unit in “${received}” is not known here.`,
    expected: 'mm or in',
    remedy: 'Write mm or in, or leave the unit out and use the one beside the field.',
  }),
  'length-fraction': ({ received }) => ({
    message: `“${received}” is no fraction of an inch.`,
    expected: 'halves to sixty-fourths with inches beside them, such as 1/2 or 3-1/8',
    remedy: 'Change the unit to inches, or type it as a decimal.',
  }),
  'length-too-fine': ({ received, limit }) => ({
    message: `“${received}” has more decimals than can be kept exactly.`,
    expected: `at most ${limit?.replace(' ', ' decimals in ') ?? 'six decimals'}`,
    remedy: 'Round it to what the display shows.',
  }),
  'length-too-large': ({ received, limit }) => ({
    message: `“${received}” is longer than any machine travels.`,
    expected: `less than ${limit ?? '100 m'}`,
    remedy: 'Look for a lost decimal point, or the wrong unit.',
  }),
  'length-negative': ({ received }) => ({
    message: `“${received}” is below zero; a size cannot be.`,
    expected: 'zero or more',
    remedy: 'Type the size without a sign.',
  }),
  'length-zero': ({ received }) => ({
    message: `“${received}” is zero; a gauge or a part has a size.`,
    expected: 'more than zero',
    remedy: 'Type the marked or measured size.',
  }),
  'reference-unknown': ({ received, limit }) => ({
    message: `“${received}” is not in this set-up.`,
    expected:
      limit === undefined || limit === '' ? 'something that the sheet lists' : `one of ${limit}`,
    remedy: 'Add it to the sheet, or name one that is there.',
  }),
  'reference-duplicate': ({ received }) => ({
    message: `“${received}” is there twice.`,
    expected: 'each number or id once',
    remedy: 'Give one of them another.',
  }),
  'gauge-wrong-axis': ({ received, limit }) => ({
    message: `“${received}” cannot be used to touch in ${limit ?? 'this axis'}.`,
    expected:
      limit === 'Z'
        ? 'a setter, block, shim, paper or pin; an indicator for a difference'
        : 'an edge finder or a pin, with or without a shim',
    remedy: 'Choose another gauge for this touch.',
  }),
  'face-wrong-axis': ({ received, limit }) => ({
    message: `The ${received} face does not belong to this axis.`,
    expected: `one of ${limit ?? 'the faces of this axis'}`,
    remedy: 'Choose a face of this axis.',
  }),
  'supersedes-other': ({ received, limit }) => ({
    message: `Reading ${received} reads another quantity${limit === undefined ? '' : ` (${limit})`}.`,
    expected: 'a reading of the same quantity',
    remedy: 'Supersede a reading of the same touch.',
  }),
  'circle-undetermined': ({ received }) => ({
    message: `No circle goes through ${received}.`,
    expected: 'three or more touches spread around the circle',
    remedy: 'Touch again, as far around as can be reached.',
  }),
  'circle-sensors-differ': ({ received, limit }) => ({
    message: `Some touches around the circle were made with ${limit}, others with ${received}.`,
    expected: 'the same sensor at every touch of one circle',
    remedy: 'Touch those points again with the same sensor.',
  }),
  'corner-needs-both': ({ received }) => ({
    message: `One axis is found by a turned corner and the other by ${received.replace(/-/g, ' ')}.`,
    expected: 'X and Y both by the turned corner: they are found together',
    remedy: 'Plan both axes by the turned corner, or neither.',
  }),
  'rebase-undetermined': ({ received }) => ({
    message: `${received} was not touched both before and after the plane moved.`,
    expected: 'one touch of the same tool on the plane before it moved, and one after',
    remedy: 'Touch that tool on the plane again, then re-base.',
  }),
  'row-taken': ({ received }) => ({
    message: `${received} is a work offset of a fixture already.`,
    expected: 'a row that no fixture uses',
    remedy: 'Keep the setting plane in another row.',
  }),
  'z-way-not-of-school': ({ received, limit = '' }) => ({
    message:
      received === 'part-top'
        ? 'Tools that are touched on the part give Z of the first work offset only, and only where lengths are not counted from a plane.'
        : `Z cannot be found by ${received.replace(/-/g, ' ')} here.`,
    expected: `one of ${limit}`,
    remedy: `Find Z of this work offset by ${limit.split(', ').slice(0, 2).join(' or ').replace(/-/g, ' ')}.`,
  }),
  'kept-of-part': ({ received }) => ({
    message: `A reading of a part (${received.replace(/-/g, ' ')}) cannot be reused: another part stands there.`,
    expected: 'a touch on the setting plane, or a diameter of a tool',
    remedy: 'Touch it here.',
  }),
  'edge-undetermined': ({ received }) => ({
    message: `The touches give an edge no direction, or one turned by more than 45° (${received}).`,
    expected: 'two touches well apart along the edge',
    remedy: 'Move along the edge between the touches.',
  }),
}

/** The words for a problem; every code has some (held complete by the type and a test). */
export const describeProblem = (problem: Problem): ProblemWords => words[problem.code](problem)
