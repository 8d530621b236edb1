import { roundToDisplay } from '../length/format-length'
import type { ReadLength } from '../length/read-length'
import type { KeyInLine } from './key-in'

/**
 * Whether the control shows what was to be keyed in. A display with fewer digits, or in the other
 * unit, agrees when it rounds to the same step of the control.
 *
 * @param decimals of the control in the unit of the key-in line.
 */
export function readBackAgrees(line: KeyInLine, shown: ReadLength, decimals: number): boolean {
  return roundToDisplay(shown.nm, line.unit, decimals) === line.expected
}
