import { formatLength } from './format-length'
import type { LengthUnit, WrittenLength } from './length'
import { readLength } from './read-length'

/** A millionth of a millimetre, and no inch is finer than that. */
const MOST_DECIMALS = 6

/**
 * A written length as it would be typed in a unit: as it was where that is its own, else converted, without zeros at its end. A
 * text that cannot be read stays as it is, so that whoever sees it can mend it.
 *
 * @returns '' where nothing was written.
 * @example textIn({ text: '0.001', unit: 'in' }, 'mm') // '0.0254'
 */
export function textIn(written: WrittenLength | undefined, unit: LengthUnit): string {
  if (written === undefined) return ''
  if (written.unit === unit) return written.text
  const read = readLength(written)
  if (!read.ok) return written.text
  return formatLength(read.value.nm, unit, MOST_DECIMALS).replace(/\.?0+$/, '')
}
