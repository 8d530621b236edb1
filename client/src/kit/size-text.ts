const KILOBYTE = 1000
const MEGABYTE = 1000 * KILOBYTE

/** The size of a file for the eye: `812 bytes`, `14 kB`, `102.4 MB`. */
export function sizeText(bytes: number): string {
  if (bytes < KILOBYTE) return `${bytes} bytes`
  if (bytes < MEGABYTE) return `${Math.round(bytes / KILOBYTE)} kB`
  return `${(bytes / MEGABYTE).toFixed(1)} MB`
}

/** How much of it is done, as a whole number of hundredths. */
export const percentOf = (part: number, whole: number): number =>
  whole === 0 ? 100 : Math.round((100 * part) / whole)
