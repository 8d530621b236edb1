import { addressParts, axisOfAddress, type Address } from '../address/address'
import type { ShortReadBack } from '../facts/bodies/bodies'
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
 * that was keyed before shows a number that looks right: there the sign and the last digits are typed, which nobody has who did
 * not look at the control. What stands between is compared by eye. Elsewhere it is enough to have looked.
 *
 * Source: common practice, no source. What it catches: docs/method.md.
 *
 * @example leastReadBack('G54.X', { wasKeyed: false }) // 'seen'
 * @example leastReadBack('H1', { wasKeyed: false }) // 'sign-and-digits'
 */
export const leastReadBack = (
  address: Address,
  { wasKeyed }: { readonly wasKeyed: boolean },
): Exclude<ShortReadBack, 'last-digits'> =>
  wasKeyed || (addressParts(address)?.of !== 'diameter' && axisOfAddress(address) === 'Z')
    ? 'sign-and-digits'
    : 'seen'

/**
 * At least so many digits are typed of a number whose others are compared by eye. A move over a block, where one proves this very
 * number, sees all of it; elsewhere one in a thousand fits by chance.
 *
 * Source: common practice, no source.
 */
const LEAST_DIGITS = { proven: 2, unproven: 3 }

export type Sign = '+' | '-'

export interface PartedDigits {
  /** Zero has none. */
  readonly sign: Sign | undefined
  readonly first: string
  readonly last: string
}

/**
 * How many last digits, behind the sign, tell a number from every other that the control could show in its place: what the row
 * held before, where it was not stored, and what other rows hold, where the wrong one was keyed or looked at.
 *
 * @param expected in the control's own digits, as the others are; one that is the same number is told apart by none.
 * @param isProvenLater whether a proof of this very number follows.
 * @example lastDigitsToType('-112.406', ['-118.406'], false) // 4
 */
export function lastDigitsToType(
  expected: string,
  others: readonly string[],
  isProvenLater: boolean,
): number {
  const all = digitsOf(expected).length
  const { sign } = partedDigits(expected, all)
  const alike = others.filter(
    (other) => partedDigits(other, all).sign === sign && digitsOf(other) !== digitsOf(expected),
  )
  let count = Math.min(all, isProvenLater ? LEAST_DIGITS.proven : LEAST_DIGITS.unproven)
  const ending = (text: string) => digitsOf(text).slice(-count)
  while (count < all && alike.some((other) => ending(other) === ending(expected))) count += 1
  return count
}

const digitsOf = (text: string): string => text.replace(/\D/g, '')

/**
 * A number as a control shows it, parted where its last digits begin: −112.406 is minus, 112. and 406 where they are three.
 *
 * @param shown in the control's own digits, such as `-112.406`; a plus may be left out.
 * @example partedDigits('-112.406', 3) // { sign: '-', first: '112.', last: '406' }
 */
export function partedDigits(shown: string, lastDigits: number): PartedDigits {
  const bare = shown.replace(/^[+-]/, '')
  let digits = 0
  let at = bare.length
  while (at > 0 && digits < lastDigits) {
    at -= 1
    if (/\d/.test(bare.charAt(at))) digits += 1
  }
  const isZero = !/[1-9]/.test(bare)
  return {
    sign: isZero ? undefined : shown.startsWith('-') ? '-' : '+',
    first: bare.slice(0, at),
    last: bare.slice(at),
  }
}

/**
 * What of a short read-back is not what the control should show; undefined where all of it is. The sign comes first: digits that
 * are right behind a turned sign look right. The point between the digits need not be typed.
 *
 * @param typed the sign may be left out of zero alone.
 * @example shortReadBackDiffers('-112.406', { sign: '+', digits: '406' }, 3) // 'sign'
 */
export function shortReadBackDiffers(
  expected: string,
  typed: { readonly sign: Sign | undefined; readonly digits: string },
  lastDigits: number,
): 'sign' | 'digits' | undefined {
  const { sign, last } = partedDigits(expected, lastDigits)
  if (sign !== undefined && typed.sign !== sign) return 'sign'
  return digitsOf(typed.digits) === digitsOf(last) ? undefined : 'digits'
}
