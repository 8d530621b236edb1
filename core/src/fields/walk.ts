import type { WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import type { Problem } from '../problem/problem'
import type { Fields, Shape, Sign, Target } from './shape'

/** What the names of each kind may be. */
export type KnownNames = Readonly<Record<Target, ReadonlySet<string>>>

/**
 * Every length in a value that cannot be read or has a sign that it may not have, and every name that points nowhere, all of them
 * in one pass. The value has the shape already: its schema has seen to that.
 *
 * @param place where the value stands; the places of what is in it begin so.
 * @param known what its names may be; where it is not told, names are not looked at.
 */
export function valueProblems(
  shape: Shape,
  value: unknown,
  place: string,
  known?: KnownNames,
): readonly Problem[] {
  if (value === undefined || !hasAnything(shape)) return []
  switch (shape.is) {
    case 'length':
      return lengthProblem(place, value as WrittenLength, shape.sign)
    case 'leaf':
      return shape.target === undefined || known === undefined || value === null
        ? []
        : unknownName(place, nameOf(value, shape.target), known[shape.target])
    case 'list':
      return (value as readonly unknown[]).flatMap((item, index) =>
        valueProblems(shape.of, item, `${place}.${index}`, known),
      )
    case 'record':
      return recordProblems(shape.fields, value, place, known)
    case 'variants': {
      const fields = shape.variants[(value as Readonly<Record<string, string>>)[shape.by] ?? '']
      return fields === undefined ? [] : recordProblems(fields, value, place, known)
    }
    case 'either':
      return shape.records
        .filter((fields) => Object.keys(value as object).every((key) => key in fields))
        .flatMap((fields) => recordProblems(fields, value, place, known))
    case 'number':
    case 'one-of':
      return []
  }
}

/** Whether a shape holds any length or name: what was read in a program is long, and has none. */
function hasAnything(shape: Shape): boolean {
  const before = whetherAnything.get(shape)
  if (before !== undefined) return before
  const isHeld = holdsAnything(shape)
  whetherAnything.set(shape, isHeld)
  return isHeld
}

const whetherAnything = new WeakMap<Shape, boolean>()

function holdsAnything(shape: Shape): boolean {
  const inFields = (fields: Fields) => Object.values(fields).some((one) => hasAnything(one.shape))
  switch (shape.is) {
    case 'length':
      return true
    case 'leaf':
      return shape.target !== undefined
    case 'list':
      return hasAnything(shape.of)
    case 'record':
      return inFields(shape.fields)
    case 'variants':
      return Object.values(shape.variants).some(inFields)
    case 'either':
      return shape.records.some(inFields)
    case 'number':
    case 'one-of':
      return false
  }
}

/** The same of a record by its fields; fields of the value that are not among them are not looked at. */
export const recordProblems = (
  fields: Fields,
  value: unknown,
  place: string,
  known?: KnownNames,
): readonly Problem[] =>
  Object.entries(fields).flatMap(([key, { shape }]) =>
    valueProblems(
      shape,
      (value as Readonly<Record<string, unknown>>)[key],
      place === '' ? key : `${place}.${key}`,
      known,
    ),
  )

/** What is wrong with a length at its place; nothing where it can be read. */
export function lengthProblem(
  place: string,
  written: WrittenLength,
  sign: Sign = 'any',
): readonly Problem[] {
  const result = readLength(written, { place, sign })
  return result.ok ? [] : [result.problem]
}

/** A tool is named by its number in a fact, and called T4. */
const nameOf = (value: unknown, target: Target): string =>
  target === 'tools' ? `T${String(value)}` : String(value)

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
