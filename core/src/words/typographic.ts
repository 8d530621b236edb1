import type { WrittenLength } from '../length/length'

/**
 * A number for the eye: a true minus sign instead of the hyphen that controls and files use.
 *
 * @example typographic('-30.000') // '−30.000'
 */
export const typographic = (number: string): string => number.replace(/-/g, '\u2212')

/**
 * A length as somebody wrote it, with its unit, for the eye.
 *
 * @example lengthWords({ text: '-30', unit: 'mm' }) // '−30 mm'
 */
export const lengthWords = ({ text, unit }: WrittenLength): string => `${typographic(text)} ${unit}`
