import { addressParts, axisOfAddress, type Address } from '../address/address'
import type { ShortReadBack } from '../facts/document'
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

/**
 * How little of a read-back may be typed. A length, or Z of a work offset, takes the tip straight down into metal, and a row
 * that was keyed before shows a number that looks right: there the last digits are typed, which nobody has who did not look
 * at the control. The sign and what stands before them are compared by eye. Elsewhere it is enough to have looked.
 *
 * Source: common practice, no source. What it catches: docs/method.md.
 */
export const leastReadBack = (
  address: Address,
  { wasKeyed }: { readonly wasKeyed: boolean },
): ShortReadBack =>
  wasKeyed || (addressParts(address)?.of !== 'diameter' && axisOfAddress(address) === 'Z')
    ? 'last-digits'
    : 'seen'

/** So many digits are typed of a number whose others are compared by eye: one in a thousand fits by chance. */
export const LAST_DIGITS = 3

/**
 * A number as a control shows it, parted where its last digits begin: −112.406 is −112. and 406.
 *
 * @param shown in the control's own digits, such as `-112.406`.
 */
export function partedDigits(shown: string): { readonly first: string; readonly last: string } {
  let digits = 0
  let at = shown.length
  while (at > 0 && digits < LAST_DIGITS) {
    at -= 1
    if (/\d/.test(shown.charAt(at))) digits += 1
  }
  return { first: shown.slice(0, at), last: shown.slice(at) }
}

/** Whether these are the last digits of a number; the point between them need not be typed. */
export function areLastDigits(shown: string, typed: string): boolean {
  const digitsOf = (text: string) => text.replace(/\D/g, '')
  return digitsOf(typed) === digitsOf(partedDigits(shown).last)
}
