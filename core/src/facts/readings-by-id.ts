import type { Source } from '../chain/chain'
import type { Reading } from './bodies/reading'

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

/** The reading that a term of a chain was read in; undefined for what was declared, drawn or marked on a gauge. */
export const readingOf = (
  readings: ReadonlyMap<string, Reading>,
  { reading }: Pick<Source, 'reading'>,
): Reading | undefined => (reading === undefined ? undefined : readings.get(reading))

/** Where that reading stands in its stream. */
export const placeOf = (
  readings: ReadonlyMap<string, Reading>,
  source: Pick<Source, 'reading'>,
): number | undefined => readingOf(readings, source)?.place
