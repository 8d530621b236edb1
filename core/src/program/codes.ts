import type { ProgramRow } from './program-types'

/** Codes that say nothing about where the tool goes, and need no following. */
const HARMLESS = new Set([4, 9, 15, 17.1, 40.1, 50, 61, 61.1, 62, 64, 69, 93, 94, 95, 96, 97])

/** Codes that the reader follows, but not as a state of its moves. */
const FOLLOWED = new Set([10, 28, 30, 40, 41, 42, 43, 44, 49, 52, 53, 92, 92.1, 92.2, 92.3])

export const isKnownCode = (code: number): boolean => HARMLESS.has(code) || FOLLOWED.has(code)

/** The work offset that a G code selects; undefined where it selects none. */
export function rowOfCode(code: number, P: number | undefined): ProgramRow | undefined {
  if (code === 54.1) return `G54.1 P${P ?? '?'}`
  const isRow = (Number.isInteger(code) && code >= 54 && code <= 59) || FURTHER_ROWS.has(code)
  return isRow ? `G${code}` : undefined
}
const FURTHER_ROWS = new Set([59.1, 59.2, 59.3])
