import type { LengthUnit } from '../length/length'

const NAMES: Readonly<Record<string, string>> = {
  '-': 'minus',
  '\u2212': 'minus',
  '.': 'point',
  '0': 'zero',
  '1': 'one',
  '2': 'two',
  '3': 'three',
  '4': 'four',
  '5': 'five',
  '6': 'six',
  '7': 'seven',
  '8': 'eight',
  '9': 'nine',
}

/**
 * A number as it is read out over the noise of a shop: digit by digit, so that fifteen and fifty cannot
 * be mistaken for each other.
 *
 * @example spokenNumber('−218.462', 'mm') // 'minus two one eight point four six two millimetres'
 */
export function spokenNumber(text: string, unit: LengthUnit): string {
  const digits = [...text].flatMap((character) => NAMES[character] ?? [])
  return [...digits, unit === 'mm' ? 'millimetres' : 'inches'].join(' ')
}
