/** A number for the eye: a true minus sign instead of the hyphen that controls and files use. */
export const typographic = (number: string): string => number.replace(/-/g, '\u2212')
