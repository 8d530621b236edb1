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
