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

/** Minutes for the eye: `40 s`, `3.8 min`, `2 h 5 min`. */
export function minutesText(minutes: number): string {
  if (minutes < 1) return `${Math.round(minutes * 60)} s`
  if (minutes < 60) return `${minutes.toFixed(1)} min`
  return `${Math.floor(minutes / 60)} h ${Math.round(minutes % 60)} min`
}
