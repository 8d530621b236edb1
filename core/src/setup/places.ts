import type { Reading } from './document'

// A set-up asks for every register: sorted out once for each list of readings, which never changes after it was made.
const knownPlaces = new WeakMap<readonly Reading[], ReadonlyMap<string, number>>()

/** Where each reading stands in the document, by its id. */
export function placesById(readings: readonly Reading[]): ReadonlyMap<string, number> {
  const known = knownPlaces.get(readings)
  if (known !== undefined) return known
  const places = new Map(readings.map(({ id }, index) => [id, index] as const))
  knownPlaces.set(readings, places)
  return places
}
