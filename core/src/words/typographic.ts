import type { WrittenLength } from '../length/length'

/** A number for the eye: a true minus sign instead of the hyphen that controls and files use. */
export const typographic = (number: string): string => number.replace(/-/g, '\u2212')

/** A length as somebody wrote it, with its unit, for the eye. */
export const lengthWords = ({ text, unit }: WrittenLength): string => `${typographic(text)} ${unit}`
