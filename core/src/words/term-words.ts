import type { TermRole } from '../chain/chain'
import type { TraceLine } from '../chain/trace'
import { typographic } from './typographic'

const roles: Readonly<Record<TermRole, string>> = {
  'tip-at-contact': 'machine Z, tip at the touch',
  'nose-at-contact': 'machine Z, bare nose at the touch',
  'axis-at-contact': 'machine position at the touch',
  counter: 'relative counter',
  'gauge-beneath': 'what lay between',
  'sensor-radius': 'radius of the sensor tip',
  facing: 'facing allowance',
  'drawing-coordinate': 'what the drawing says',
  'lost-motion': 'backlash of the screw',
  'known-length': 'known length, nose to tip',
  'school-constant': 'constant that lengths are counted from',
  'external-offset': 'external offset',
  quill: 'quill extension',
  diameter: 'diameter as measured',
  dial: 'dial of the sweep',
  'circle-remainder': 'circle through the touches',
  'corner-remainder': 'what the turn of the part adds',
  correction: 'correction after a part was measured',
  'row-stands': 'what the control shows',
  'counter-zero': 'where the relative counter shows zero',
  'active-row': 'what the active row held',
  'active-length': 'what the active length register held',
  'home-shift': 'home found again elsewhere',
}

/** What a line of a trace is, in words. */
export const describeRole = (role: TermRole): string => roles[role]

/** What a sum is told by: a number that was declared to be zero says nothing. */
export const saysSomething = ({ kind, contribution }: TraceLine): boolean =>
  contribution !== 0 || kind === 'reading' || kind === 'gauge'

/**
 * A term as people write it in a sum: `−220.000`, `− 50.000`, `− (−300.000)`, `+ ½ × 16.000`. A sum begins without a plus, and a
 * negative number that is added is taken off.
 */
export function describeTerm(
  { coefficient, text }: Pick<TraceLine, 'coefficient' | 'text'>,
  isFirst: boolean,
): string {
  const isNegative = /^\s*[-\u2212]/.test(text)
  const size = Math.abs(coefficient)
  const share = size === 1 ? '' : `${size === 0.5 ? '½' : Number(size.toFixed(4))} × `
  const number = typographic(text.trim())
  // As it was read: a sign of its own stays with it, but where it only repeats the sum's.
  const merges = isNegative && coefficient > 0 && share === ''
  const written = merges ? number.slice(1) : isNegative && !isFirst ? `(${number})` : number
  if (isFirst && coefficient > 0) return `${share}${number}`
  const sign = coefficient < 0 || merges ? '\u2212' : '+'
  return `${sign} ${share}${isFirst && isNegative ? `(${number})` : written}`
}
