import fc from 'fast-check'
import { z } from 'zod'

/** A JSON Schema, as far as the contract's schemas come out as one. */
interface Shape {
  readonly type?: string
  readonly const?: unknown
  readonly enum?: readonly unknown[]
  readonly anyOf?: readonly Shape[]
  readonly oneOf?: readonly Shape[]
  readonly properties?: Readonly<Record<string, Shape>>
  readonly required?: readonly string[]
  readonly items?: Shape
  readonly minItems?: number
  readonly maxItems?: number
  readonly pattern?: string
  readonly format?: string
  readonly minLength?: number
  readonly maxLength?: number
  readonly minimum?: number
  readonly maximum?: number
}

/** Names that point to something: what stands there in the set-up or shop of the test. */
export type Known = Readonly<Record<string, readonly unknown[]>>

const LENGTHS = ['0', '1', '10', '-1.5', '0.001', '123.456', '-0.0', '1/2', '1e3', '', '90']

/**
 * Bodies that a schema of the contract allows, the narrow ones among them: texts that are empty or as long as they may be,
 * lists without anything, everything optional left out.
 */
export const bodiesOf = (schema: z.ZodType, known: Known = {}): fc.Arbitrary<unknown> =>
  arbitraryOf(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape, known)

function arbitraryOf(shape: Shape, known: Known): fc.Arbitrary<unknown> {
  if ('const' in shape) return fc.constant(shape.const)
  if (shape.enum !== undefined) return fc.constantFrom(...shape.enum)
  const either = shape.anyOf ?? shape.oneOf
  if (either !== undefined) return fc.oneof(...either.map((one) => arbitraryOf(one, known)))
  switch (shape.type) {
    case 'object':
      return objectOf(shape, known)
    case 'array': {
      const { items = {}, minItems = 0, maxItems = 4 } = shape
      const maxLength = Math.max(minItems, Math.min(maxItems, 4))
      return fc.array(arbitraryOf(items, known), { minLength: minItems, maxLength })
    }
    case 'integer':
    case 'number': {
      const { minimum = -1000, maximum = 1000 } = shape
      return fc.integer({ min: Math.max(minimum, -1e6), max: Math.min(maximum, 1e6) })
    }
    case 'boolean':
      return fc.boolean()
    case 'null':
      return fc.constant(null)
    case 'string':
      return textOf(shape)
    default:
      return fc.constant({})
  }
}

function objectOf({ properties = {}, required = [] }: Shape, known: Known): fc.Arbitrary<unknown> {
  if (Object.keys(properties).sort().join() === 'text,unit')
    return fc.record({ text: fc.constantFrom(...LENGTHS), unit: fc.constantFrom('mm', 'in') })
  const fields = Object.fromEntries(
    Object.entries(properties).map(([name, shape]) => {
      const ones = known[name]
      return [name, ones === undefined ? arbitraryOf(shape, known) : fc.constantFrom(...ones)]
    }),
  )
  return fc.record(fields, { requiredKeys: [...required] })
}

function textOf({ pattern, format, minLength = 0, maxLength = 200 }: Shape): fc.Arbitrary<string> {
  if (format === 'uuid') return fc.uuid({ version: 7 })
  if (format === 'date-time') return fc.constantFrom('2026-03-02T08:00:00Z')
  if (pattern !== undefined) return fc.stringMatching(new RegExp(pattern))
  return fc.constantFrom(
    'a'.repeat(Math.max(minLength, 1)),
    ...(minLength === 0 ? ['', ' '] : []),
    'é “ﬁ” 測定 👩‍🔧'.slice(0, maxLength),
    'x'.repeat(maxLength),
    'moved; "a" note, with <b> & comma\r\nand another line'.slice(0, maxLength),
  )
}
