import { toNanometres, type Nanometres } from '../../length/length'
import type { FoundAgain } from '../../freshness/home-marks'
import type { MachineAxis } from '../../address/row'
import type { ComparedPlace } from '../../plan/known-places'
import type { LengthWriter } from '../trust/warning-words'

/** How far a zero that was found again lies from the lost one. */
export function describeMarks(
  axis: MachineAxis,
  { shift, turns, certain }: FoundAgain,
  write: LengthWriter,
): string {
  if (!certain)
    return `${axis}: nobody can tell in which turn of the dial it stands. Find the mark again, or leave ${axis} empty.`
  if (shift === 0) return `${axis}: found again to the graduation.`
  const whole =
    turns === 0
      ? ''
      : ` That is ${Math.abs(turns)} whole ${Math.abs(turns) === 1 ? 'turn' : 'turns'}: the dial was set in another turn.`
  return `${axis}: positions read ${write(toNanometres(Math.abs(shift)))} ${shift < 0 ? 'less' : 'more'} than before; every number is shifted by it.${whole}`
}

/** Axes that are not found again by marks. */
export const marksAnew = (axes: readonly MachineAxis[]): string =>
  `${axes.join(', ')}: a new zero. What was read along ${axes.length === 1 ? 'it' : 'them'} is touched again.`

/**
 * How far the zero of an axis that was homed again lies from the lost one, by a known place.
 *
 * @param byDials whether its dial was found again before: then the place is held against what the dial says.
 */
export function describeCompared(
  { axis, shift, besides, off }: ComparedPlace,
  byDials: boolean,
  write: LengthWriter,
): string {
  const apart = (nm: Nanometres) =>
    `${write(toNanometres(Math.abs(nm)))} ${nm < 0 ? 'less' : 'more'}`
  if (byDials) {
    if (besides === 0) return `${axis}: as the dial says, to the step of the display.`
    const by = `${axis}: shows ${apart(besides)} than the dial says`
    if (off === 'beyond')
      return `${by}. Look at the turn of the dial, the sign and the place. It carries nothing over; ${axis} is touched again.`
    return off === 'far'
      ? `${by}. Another turn of the dial, another place or another tool? Look before you go on: every number along ${axis} goes by the touch.`
      : `${by}; every number along it goes by the touch.`
  }
  if (shift === 0) return `${axis}: found again, to the step of the display.`
  const by = `${axis}: shows ${apart(shift)} than before`
  if (off === 'beyond')
    return `${by}: no home is off by that. Look at the sign, the digits and the place. It carries nothing over; ${axis} is touched again.`
  return off === 'far'
    ? `${by}. Another place, another tool, or not homed? Look before you go on: every number along ${axis} shifts by it.`
    : `${by}; every number along it shifts by that.`
}

/**
 * Where an axis stands at part zero, beside where it stood there before home was lost.
 *
 * @param off towards plus.
 */
export function describePartZero(
  axis: MachineAxis,
  off: Nanometres,
  isElsewhere: boolean,
  write: LengthWriter,
): string {
  if (off === 0) return `${axis}: where it was, to the graduation.`
  const by = `${axis} stands ${write(toNanometres(Math.abs(off)))} further to ${off > 0 ? 'plus' : 'minus'} than part zero was`
  return isElsewhere
    ? `${by}. If the row shows what was keyed, touch ${axis} again.`
    : `${by}: as near as marks are found again.`
}
