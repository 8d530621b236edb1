import type { LengthUnit } from '../length/length'
import { readLength } from '../length/read-length'
import type { Explanation, SlipCode } from './slip'

/** What fingers and eyes do to digits. */
type DigitSlip = Extract<
  SlipCode,
  'digits-swapped' | 'digit-missing' | 'digit-doubled' | 'digit-wrong'
>

/** In the order in which they are named. */
export const DIGIT_SLIPS = [
  'digits-swapped',
  'digit-missing',
  'digit-doubled',
  'digit-wrong',
] as const

/**
 * What becomes of a number as it is written, by each slip: two digits change places, one is left out, typed twice, or
 * another. The point and the sign stay where they are.
 *
 * @param text with its decimal point.
 */
export function slippedDigits(text: string): Readonly<Record<DigitSlip, readonly string[]>> {
  const places = placesOf(text)
  return {
    'digits-swapped': places.slice(1).map((right, index) => swapped(text, places[index]!, right)),
    'digit-missing': places.map((place) => text.slice(0, place) + text.slice(place + 1)),
    'digit-doubled': places.map(
      (place) => text.slice(0, place) + text.charAt(place) + text.slice(place),
    ),
    'digit-wrong': places.flatMap((place) =>
      DIGITS.map((digit) => text.slice(0, place) + digit + text.slice(place + 1)),
    ),
  }
}

/**
 * What a number was meant to be, where each slip made this one of it: what was left out is put in again, of what was
 * typed twice one is taken away.
 */
export function undoneDigits(text: string): Readonly<Record<DigitSlip, readonly string[]>> {
  const places = placesOf(text)
  const slipped = slippedDigits(text)
  return {
    ...slipped,
    // Anywhere behind the sign, on either side of the point.
    'digit-missing': placesFrom(Math.max(0, text.search(/[\d.]/)), text.length).flatMap((place) =>
      DIGITS.map((digit) => text.slice(0, place) + digit + text.slice(place)),
    ),
    'digit-doubled': places.flatMap((place, index) =>
      text.charAt(place) === text.charAt(places[index + 1] ?? text.length)
        ? [text.slice(0, place) + text.slice(place + 1)]
        : [],
    ),
  }
}

/**
 * The numbers that a slip of digits gives.
 *
 * @param text the number as it should stand, with its decimal point.
 */
export function digitCandidates(text: string, unit: LengthUnit): readonly Explanation[] {
  const slipped = slippedDigits(text)
  return DIGIT_SLIPS.flatMap((code) =>
    slipped[code].flatMap((changed) => {
      const read = readLength({ text: changed, unit })
      return read.ok ? [{ code, gives: read.value.nm }] : []
    }),
  )
}

const placesFrom = (first: number, last: number): readonly number[] =>
  Array.from({ length: last - first + 1 }, (_, index) => first + index)

const DIGITS = [...'0123456789']

const placesOf = (text: string): readonly number[] =>
  [...text].flatMap((character, place) => (/\d/.test(character) ? [place] : []))

function swapped(text: string, left: number, right: number): string {
  const characters = [...text]
  characters[left] = text.charAt(right)
  characters[right] = text.charAt(left)
  return characters.join('')
}
