import type { TermRole } from '../chain/chain'
import type { TraceLine } from '../chain/trace'

const roles: Readonly<Record<TermRole, string>> = {
  'tip-at-contact': 'machine Z, tip at the touch',
  'nose-at-contact': 'machine Z, bare nose at the touch',
  'axis-at-contact': 'machine position at the touch',
  counter: 'relative counter',
  'gauge-beneath': 'what lay between',
  'sensor-radius': 'radius of the sensor tip',
  facing: 'facing allowance',
  'drawing-coordinate': 'what the drawing says',
  'lost-motion': 'lost motion of the screw',
  'known-length': 'known length, nose to tip',
  'school-constant': 'constant that lengths are counted from',
  'external-offset': 'external offset',
  quill: 'quill extension',
  diameter: 'diameter as measured',
  dial: 'dial of the sweep',
  'circle-remainder': 'circle through the touches',
  'corner-remainder': 'what the turn of the part adds',
  'home-shift': 'home found again elsewhere',
}

/** What a line of a trace is, in words. */
export const describeRole = (role: TermRole): string => roles[role]

/** How a term counts: `+`, `−`, `+ ½ ×` … so that the lines read as a sum. */
export function describeCoefficient({ coefficient }: Pick<TraceLine, 'coefficient'>): string {
  const sign = coefficient < 0 ? '\u2212' : '+'
  const size = Math.abs(coefficient)
  if (size === 1) return sign
  if (size === 0.5) return `${sign} ½ ×`
  return `${sign} ${Number(size.toFixed(4))} ×`
}
