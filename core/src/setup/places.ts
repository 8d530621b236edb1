import type { Reading } from './document'

// A set-up asks for every register: sorted out once for each list of readings, which never changes after it was made.
const sortedOut = new WeakMap<readonly Reading[], ReadonlyMap<string, Reading>>()

/** The readings of a set-up by their ids. */
export function readingsById(readings: readonly Reading[]): ReadonlyMap<string, Reading> {
  const known = sortedOut.get(readings)
  if (known !== undefined) return known
  const byId = new Map(readings.map((reading) => [reading.id, reading] as const))
  sortedOut.set(readings, byId)
  return byId
}
