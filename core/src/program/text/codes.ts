import type { ProgramRow } from '../program-reading'

/** Codes that say nothing about where the tool goes, and need no following. */
const HARMLESS = new Set([4, 9, 17.1, 40.1, 61, 61.1, 62, 64, 93, 94, 95, 96, 97])

/** Codes that the reader follows, but not as a state of its moves. */
const FOLLOWED = new Set([10, 28, 30, 40, 41, 42, 43, 44, 49, 52, 53, 92, 92.1, 92.2, 92.3])

/**
 * Codes that make the numbers after them mean other places, or run something else at each of them, until another code
 * ends it: polar coordinates, scaling, mirroring, a macro at every move, rotation (ISO 6983 as commonly practised).
 */
const TURNS: ReadonlyMap<number, number> = new Map([
  [16, 15],
  [51, 50],
  [51.1, 50.1],
  [66, 67],
  [68, 69],
  [68.2, 69],
])
const ENDS = new Set(TURNS.values())

export const isKnownCode = (code: number): boolean =>
  HARMLESS.has(code) || FOLLOWED.has(code) || ENDS.has(code)

/** Whether places after it are not where they are written. */
export const turnsPlaces = (code: number): boolean => TURNS.has(code)

/** Whether a code ends one that turned places. */
export const endsTurn = (turned: number, code: number): boolean => TURNS.get(turned) === code

/** The work offset that a G code selects; undefined where it selects none. */
export function rowOfCode(code: number, P: number | undefined): ProgramRow | undefined {
  if (code === 54.1) return `G54.1 P${P ?? '?'}`
  const isRow = (Number.isInteger(code) && code >= 54 && code <= 59) || FURTHER_ROWS.has(code)
  return isRow ? `G${code}` : undefined
}
const FURTHER_ROWS = new Set([59.1, 59.2, 59.3])
