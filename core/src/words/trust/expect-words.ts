import type { Because, Belief, Surprise } from '../../expect'
import { formatLength } from '../../length/format-length'
import { NANOMETRES_PER, toNanometres, type LengthUnit } from '../../length/length'
import type { SlipCode } from '../../slips/slip'
import { describeCause } from './slip-words'
import { typographic } from '../typographic'

/** The least sure first: that is what a person may want to better. */
const BY_DOUBT: readonly Because['of'][] = [
  'usual-length',
  'rule',
  'drawing-size',
  'holding',
  'circle',
  'stood-before',
  'last-length',
  'nominal-diameter',
  'known-length',
  'reading',
]

function whyWords(because: readonly Because[]): string {
  const [why] = because.toSorted((a, b) => BY_DOUBT.indexOf(a.of) - BY_DOUBT.indexOf(b.of))
  switch (why?.of) {
    case 'usual-length':
      return 'typical tool length'
    case 'rule':
      return `rule held to T${why.tool}`
    case 'drawing-size':
      return 'size on the drawing'
    case 'holding':
      return 'jaws, parallels and stock'
    case 'circle':
      return 'other touches, diameter on the drawing'
    case 'stood-before':
      return 'where it stood in the last set-up'
    case 'last-length':
      return `T${why.tool} as measured last time`
    case 'nominal-diameter':
      return `diameter of T${why.tool}`
    case 'known-length':
      return `known length of T${why.tool}`
    case 'reading':
    case undefined:
      return 'earlier readings'
  }
}

/** Twice the standard deviation holds about 95 of 100. */
const MOST_OF_THEM = 2

/** “−170 ± 2 mm (rule held to T1)”: with as many digits as mean something. */
export function describeExpected(belief: Belief, unit: LengthUnit): string {
  const spreadMm = MOST_OF_THEM * belief.standardMm
  const step = spreadMm / (NANOMETRES_PER[unit] / NANOMETRES_PER.mm)
  const decimals = Math.min(Math.max(Math.ceil(-Math.log10(step)), 1), unit === 'in' ? 4 : 3)
  const write = (mm: number) =>
    typographic(formatLength(toNanometres(Math.round(mm * NANOMETRES_PER.mm)), unit, decimals))
  return `${write(belief.mm)} ± ${write(spreadMm)} ${unit} (${whyWords(belief.because)})`
}

/** Whether nothing but the usual length of tools speaks for it: then a rule held to the tool is worth more than care. */
export const isVague = ({ because }: Belief): boolean =>
  because.some(({ of }) => of === 'usual-length')

const MENDED: Readonly<Partial<Record<SlipCode, string>>> = {
  'digits-swapped': 'The other way round',
  'decimal-shifted': 'With the point moved',
  'unit-mm-for-inch': 'In the other unit',
  'unit-inch-for-mm': 'In the other unit',
}

/**
 * What a surprising reading may be: what was expected, and with which slip mended it is that.
 *
 * @param row that tells the touch, where it is captured: it is the row that was read, and no position.
 */
export function describeSurprise(
  { expected, slip, number }: Surprise,
  unit: LengthUnit,
  write: (nm: number) => string,
  row?: string,
): { readonly expected: string; readonly slip: string | undefined; readonly look: string } {
  const which = number === undefined ? '' : number === 'read' ? 'X ' : 'Y '
  const text = `Expected ${which}${describeExpected(expected, unit)}`
  if (slip === undefined) return { expected: text, slip: undefined, look: 'Read it once more.' }
  const { title, look: atPosition } = describeCause(slip)
  const look = row === undefined ? atPosition : `Look at ${row} on the control again.`
  const of = which === '' ? '' : `${which.trim()}: `
  // Nothing of this number is wrong then: what it should be is no help.
  if (slip.code === 'other-face-misread')
    return { expected: text, slip: `${title}: the ${slip.about ?? 'other face'}?`, look }
  const meant = write(slip.meant)
  const mended =
    slip.code === 'reading-sign-lost'
      ? slip.meant < 0
        ? `With a minus it is ${meant}`
        : `Without the minus it is ${meant}`
      : `${MENDED[slip.code] ?? 'Then'} it is ${meant}`
  return { expected: text, slip: `${of}${title}? ${mended}.`, look }
}
