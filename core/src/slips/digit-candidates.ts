import type { LengthUnit } from '../length/length'
import { readLength } from '../length/read-length'
import type { Explanation, SlipCode } from './slip'

/**
 * What fingers and eyes do to digits: two change places, one is left out, typed twice, or another.
 * The point and the sign stay where they are.
 *
 * @param text the number as it should stand, with its decimal point.
 */
export function digitCandidates(text: string, unit: LengthUnit): readonly Explanation[] {
  const places = [...text].flatMap((character, place) => (/\d/.test(character) ? [place] : []))
  const gives = (code: SlipCode, changed: string): readonly Explanation[] => {
    const read = readLength({ text: changed, unit })
    return read.ok ? [{ code, gives: read.value.nm }] : []
  }
  return [
    ...places
      .slice(1)
      .flatMap((right, index) =>
        gives('digits-swapped', swapped(text, places[index] ?? right, right)),
      ),
    ...places.flatMap((place) =>
      gives('digit-missing', text.slice(0, place) + text.slice(place + 1)),
    ),
    ...places.flatMap((place) =>
      gives('digit-doubled', text.slice(0, place) + text.charAt(place) + text.slice(place)),
    ),
    ...places.flatMap((place) =>
      [...'0123456789'].flatMap((digit) =>
        gives('digit-wrong', text.slice(0, place) + digit + text.slice(place + 1)),
      ),
    ),
  ]
}

function swapped(text: string, left: number, right: number): string {
  const characters = [...text]
  characters[left] = text.charAt(right)
  characters[right] = text.charAt(left)
  return characters.join('')
}
