import type { Fields, Leaves, Shape } from '@pine/core/fields'
import fc from 'fast-check'

/** Names that point to something: what stands there in the set-up or shop of the test. */
export type Known = Readonly<Record<string, readonly unknown[]>>

const LENGTHS = ['0', '1', '10', '-1.5', '0.001', '123.456', '-0.0', '1/2', '1e3', '', '90']

/** Texts of up to so many characters, the narrow ones among them; empty where that is allowed. */
const text = (most: number, least = 1) =>
  fc.constantFrom(
    'a',
    ...(least === 0 ? ['', ' '] : []),
    'é “ﬁ” 測定 👩‍🔧'.slice(0, most),
    'x'.repeat(most),
    'moved; "a" note, with <b> & comma\r\nand another line'.slice(0, most),
  )
const register = fc.integer({ min: 0, max: 999 })

const LEAVES: { readonly [Leaf in keyof Leaves]: fc.Arbitrary<unknown> } = {
  name: text(120),
  words: text(500, 0),
  sentence: text(500),
  reason: text(2000),
  uuid: fc.uuid({ version: 7 }),
  sha256: fc.stringMatching(/^[0-9a-f]{64}$/),
  moment: fc.constant('2026-03-02T08:00:00Z'),
  row: fc.constantFrom('G54', 'G59.3', 'G54.1 P300'),
  address: fc.constantFrom('H0', 'D999', 'G54.X', 'G54.1 P2.Z', 'G54.Z.T2'),
  register,
  'register-or-none': fc.option(register),
  block: fc.constantFrom('G28 G91 Z0', 'x'.repeat(60)),
  excerpt: text(200, 0),
  comment: text(2000, 0),
  'file-name': text(200),
  'agent-address': fc.constantFrom('http://127.0.0.1:5000', 'http://[::1]:80/Mill%202'),
  nanometres: fc.integer(),
  extent: fc.tuple(fc.integer(), fc.integer()),
  count: fc.nat(),
  true: fc.constant(true),
  boolean: fc.boolean(),
}

/**
 * Bodies that core's table of fields allows, the narrow ones among them: texts that are empty or as long as they may be,
 * lists without anything, everything optional left out.
 */
export function bodiesOf(shape: Shape, known: Known = {}): fc.Arbitrary<unknown> {
  switch (shape.is) {
    case 'length':
      return fc.record({ text: fc.constantFrom(...LENGTHS), unit: fc.constantFrom('mm', 'in') })
    case 'leaf':
      return LEAVES[shape.leaf]
    case 'one-of':
      return fc.constantFrom(...shape.values)
    case 'number': {
      const { least = -1000, above = least - 1, most = 1000 } = shape
      return fc.integer({ min: Math.max(least, above + 1), max: Math.min(most, 1e6) })
    }
    case 'list': {
      const maxLength = Math.max(shape.least, Math.min(shape.most ?? 4, 4))
      return fc.array(bodiesOf(shape.of, known), { minLength: shape.least, maxLength })
    }
    case 'record':
      return recordsOf(shape.fields, known)
    case 'variants':
      return fc.oneof(
        ...Object.entries(shape.variants).map(([name, fields]) =>
          recordsOf(fields, known).map((record) => ({ [shape.by]: name, ...record })),
        ),
      )
    case 'either':
      return fc.oneof(...shape.records.map((fields) => recordsOf(fields, known)))
  }
}

/** The same of a record by its fields. */
export function recordsOf(fields: Fields, known: Known = {}): fc.Arbitrary<object> {
  const values = Object.entries(fields).map(([name, { shape }]) => {
    const ones = known[name]
    return [name, ones === undefined ? bodiesOf(shape, known) : fc.constantFrom(...ones)] as const
  })
  const requiredKeys = Object.keys(fields).filter((name) => fields[name]?.isOptional === false)
  return fc.record(Object.fromEntries(values), { requiredKeys })
}
