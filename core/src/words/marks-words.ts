import { toNanometres } from '../length/length'
import type { FoundAgain } from '../freshness/home-marks'
import type { MachineAxis } from '../address/row'
import type { LengthWriter } from './warning-words'

/** How far a zero that was found again lies from the lost one. */
export function describeMarks(
  axis: MachineAxis,
  { shift, turns, certain }: FoundAgain,
  write: LengthWriter,
): string {
  if (!certain)
    return `${axis}: the scale lies between two turns of the dial and cannot tell which. Find the mark again.`
  if (shift === 0) return `${axis}: found again to the graduation.`
  const whole =
    turns === 0
      ? ''
      : ` That is ${Math.abs(turns)} whole ${Math.abs(turns) === 1 ? 'turn' : 'turns'}: the dial was set in another turn.`
  return `${axis}: positions read ${write(toNanometres(Math.abs(shift)))} ${shift < 0 ? 'less' : 'more'} than before; every number is shifted by it.${whole}`
}
