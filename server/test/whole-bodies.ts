import type { Fields, Shape } from '@pine/core/fields'

/** Values for fields of a name, and for kinds of texts: what they point at, or what has a form of its own. */
export type Given = Readonly<Record<string, readonly unknown[]>>

const LEAF_VALUES: Given = {
  row: ['G54'],
  address: ['G54.Z'],
  register: [1],
  'register-or-none': [1, null],
  'agent-address': ['http://127.0.0.1:5000'],
  uuid: ['0193d1a0-0000-7000-8000-000000000001'],
  sha256: ['a'.repeat(64)],
  moment: ['2026-03-02T08:00:00Z'],
  nanometres: [5],
  extent: [[-5, 5]],
  count: [2],
  true: [true],
  boolean: [true, false],
}

/**
 * Bodies of a shape in which every field stands, also those that may be left out, and every variant of every union: as few bodies
 * as that takes.
 */
export function wholeBodies(shape: Shape, given: Given = {}): readonly unknown[] {
  switch (shape.is) {
    case 'length':
      return [{ text: '1', unit: 'mm' }]
    case 'leaf':
      return given[shape.leaf] ?? LEAF_VALUES[shape.leaf] ?? ['a text']
    case 'one-of':
      return shape.values
    case 'number':
      return [shape.least ?? 2]
    case 'list': {
      const items = wholeBodies(shape.of, given)
      const least = Math.max(shape.least, 1)
      // Each item in a list of its own, repeated as often as the list needs.
      return items.map((item) => Array.from({ length: least }, () => item))
    }
    case 'record':
      return wholeRecords(shape.fields, given)
    case 'variants':
      return Object.entries(shape.variants).flatMap(([name, fields]) =>
        wholeRecords(fields, given).map((record) => ({ [shape.by]: name, ...record })),
      )
    case 'either':
      return shape.records.flatMap((fields) => wholeRecords(fields, given))
  }
}

export function wholeRecords(fields: Fields, given: Given = {}): readonly object[] {
  const columns = Object.entries(fields).map(
    ([key, { shape }]) => [key, given[key] ?? wholeBodies(shape, given)] as const,
  )
  const rows = Math.max(1, ...columns.map(([, values]) => values.length))
  return Array.from({ length: rows }, (_, row) =>
    Object.fromEntries(columns.map(([key, values]) => [key, values[row % values.length]])),
  )
}

/** The path of every field of a shape, with the variant that it stands in: `offsets.X.circle.diameter`. */
export function pathsOf(shape: Shape, at = ''): readonly string[] {
  const inFields = (fields: Fields, place: string) =>
    Object.entries(fields).flatMap(([key, field]) => pathsOf(field.shape, `${place}.${key}`))
  switch (shape.is) {
    case 'list':
      return pathsOf(shape.of, at)
    case 'record':
      return inFields(shape.fields, at)
    case 'variants':
      return Object.entries(shape.variants).flatMap(([name, fields]) => [
        `${at}.${name}`,
        ...inFields(fields, `${at}.${name}`),
      ])
    case 'either':
      return shape.records.flatMap((fields) => inFields(fields, at))
    default:
      return [at]
  }
}

/** The paths of the fields that stand in a value. */
export function pathsIn(shape: Shape, value: unknown, at = ''): readonly string[] {
  const inFields = (fields: Fields, place: string) =>
    Object.entries(fields).flatMap(([key, field]) => {
      const inside = (value as Readonly<Record<string, unknown>>)[key]
      return inside === undefined ? [] : pathsIn(field.shape, inside, `${place}.${key}`)
    })
  switch (shape.is) {
    case 'list':
      return (value as readonly unknown[]).flatMap((item) => pathsIn(shape.of, item, at))
    case 'record':
      return inFields(shape.fields, at)
    case 'variants': {
      const name = (value as Readonly<Record<string, string>>)[shape.by] ?? ''
      return [`${at}.${name}`, ...inFields(shape.variants[name] ?? {}, `${at}.${name}`)]
    }
    case 'either':
      return shape.records.flatMap((fields) => inFields(fields, at))
    default:
      return [at]
  }
}

/** The same value with another length at each of the places where it has one, one place at a time, and where that is. */
export function withEachLength(
  value: unknown,
  text: string,
): readonly { readonly place: string; readonly value: unknown }[] {
  if (typeof value !== 'object' || value === null) return []
  if ('text' in value && 'unit' in value) return [{ place: '', value: { ...value, text } }]
  return Object.entries(value).flatMap(([key, inside]) =>
    withEachLength(inside, text).map(({ place, value: changed }) => ({
      place: place === '' ? key : `${key}.${place}`,
      value: Array.isArray(value)
        ? value.map((item, index) => (String(index) === key ? changed : item))
        : { ...value, [key]: changed },
    })),
  )
}
