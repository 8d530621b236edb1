import type { WrittenLength } from '../length/length'
import { readLength, type ReadLengthOptions } from '../length/read-length'
import type { Problem } from '../problem/problem'

/** What is wrong with a number at its place; nothing where it can be read. */
export function lengthProblem(
  place: string,
  written: WrittenLength,
  options: ReadLengthOptions = {},
): readonly Problem[] {
  const result = readLength(written, { ...options, place })
  return result.ok ? [] : [result.problem]
}

/** A name that points nowhere. */
export const unknownName = (
  place: string,
  name: string,
  known: ReadonlySet<string>,
): readonly Problem[] =>
  known.has(name)
    ? []
    : [
        {
          code: 'reference-unknown',
          place,
          received: name,
          limit: [...known].slice(0, 40).join(', '),
        },
      ]

/** A number at its place, and what it may be. */
export type NamedLength = readonly [
  place: string,
  written: WrittenLength,
  options: ReadLengthOptions,
]

/** A length that need not be there. */
export const optional = (
  place: string,
  written: WrittenLength | undefined,
  options: ReadLengthOptions = {},
): readonly NamedLength[] => (written === undefined ? [] : [[place, written, options]])

/** What a standard uncertainty may be. */
export const uncertain: ReadLengthOptions = { sign: 'not-negative' }
