import { LAST_FURTHER_ROW, OFFSET_ROWS, type Address } from '@pine/core/address'
import {
  field,
  moment as momentField,
  name as nameField,
  uuid as uuidField,
  type Fields,
  type Leaves,
  type RecordOf,
  type Shape,
} from '@pine/core/fields'
import { LENGTH_UNITS, type Nanometres } from '@pine/core/length'
import { z } from 'zod'

export const nameSchema = z.string().trim().min(1).max(120).meta({ id: 'Name' })
const words = z.string().trim().max(500)

/** An id, in small letters as the database tells it: the same one in capitals is the same. */
export const uuid = () => z.uuid().toLowerCase()

export const moment = z.iso.datetime({ offset: true }).meta({ id: 'Moment' })

/** Why somebody did what is not done every day: it stays with the fact. */
export const reason = z.string().trim().min(1, 'a reason').max(2000)

/** Kept as typed: whether it is a number is said by core, in the words for a machinist. */
export const writtenLengthSchema = z
  .strictObject({ text: z.string().max(40), unit: z.enum(LENGTH_UNITS) })
  .meta({ id: 'Length' })

const addressText = z
  .string()
  .regex(
    /^([HD]\d{1,3}|(G5[4-9]|G59\.[123]|G54\.1 P\d{1,3})\.([XY]|Z(\.T\d{1,3})?))$/,
    'a register such as H3, G54.Z, G54.1 P2.Z or, set with one tool, G54.Z.T2',
  )
  .meta({ id: 'Address' })
export const registerNumber = z.int().min(0).max(999).meta({ id: 'Register' })
/** Lengths of a program stay the whole nanometres that they were worked out in. */
const nanometres = z.int() as unknown as z.ZodType<Nanometres>

export const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in lower-case hexadecimal')

/** A row of the control that holds a number. */
export const address = addressText as unknown as z.ZodType<Address, Address>

const LEAVES: { readonly [Leaf in keyof Leaves]: z.ZodType<Leaves[Leaf]> } = {
  name: nameSchema,
  words,
  sentence: words.min(1, 'a few words'),
  reason,
  uuid: uuid().meta({ id: 'Id' }),
  sha256,
  moment,
  row: z.union([
    z.enum(OFFSET_ROWS),
    z.templateLiteral(['G54.1 P', z.int().min(1).max(LAST_FURTHER_ROW)]).meta({ id: 'Row' }),
  ]),
  address,
  register: registerNumber,
  'register-or-none': registerNumber.nullable(),
  block: z
    .string()
    .trim()
    .min(1)
    .max(60)
    .regex(/^[\x20-\x7e]+$/, 'letters, digits and signs that a control has'),
  excerpt: z.string().max(200),
  comment: z.string().max(2000),
  'file-name': z.string().min(1).max(200),
  'agent-address': z
    .string()
    .max(200)
    .regex(
      /^http:\/\/(\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:]+\])(:\d{1,5})?(\/[^\s?#/]*)?$/,
      'an address such as http://192.168.1.20:5000, with the machine’s name behind it where the agent has several',
    ),
  nanometres,
  extent: z.tuple([nanometres, nanometres]).readonly(),
  count: z.int().min(0),
  true: z.literal(true),
  boolean: z.boolean(),
}

/** The schema of whatever core says may stand somewhere: its type is core's own, for both are made of one table. */
export const schemaOf = <Value>(shape: Shape<Value>): z.ZodType<Value, Value> =>
  schema(shape) as z.ZodType<Value, Value>

/** The same of a record by its fields. */
export const schemaOfFields = <const Of extends Fields>(
  fields: Of,
): z.ZodType<RecordOf<Of>, RecordOf<Of>> =>
  strict(fields) as unknown as z.ZodType<RecordOf<Of>, RecordOf<Of>>

/** What is entered, under an id of its own: sent twice it was entered once. */
export const UNDER_ID = { id: field(uuidField, 'its own id: sent twice, it was entered once') }

/** Who entered it, and when. */
export const ENTERED = {
  by: field(nameField, 'who entered it'),
  at: field(momentField, 'when'),
}

function schema(shape: Shape): z.ZodType {
  switch (shape.is) {
    case 'length':
      return writtenLengthSchema
    case 'leaf':
      return LEAVES[shape.leaf]
    case 'one-of':
      return z.literal([...shape.values])
    case 'number': {
      const { whole, least, above, most } = shape
      let number: z.ZodNumber = whole ? z.int() : z.number()
      if (least !== undefined) number = number.min(least)
      if (above !== undefined) number = number.gt(above)
      return most === undefined ? number : number.max(most)
    }
    case 'list': {
      const list = z.array(schema(shape.of)).min(shape.least)
      return shape.most === undefined ? list : list.max(shape.most)
    }
    case 'record':
      return strict(shape.fields)
    case 'variants': {
      const { by, variants } = shape
      const records = Object.entries(variants).map(([name, fields]) =>
        z.strictObject({ [by]: z.literal(name), ...shapeOf(fields) }),
      )
      return z.discriminatedUnion(by, records as never)
    }
    case 'either':
      return z.union(shape.records.map(strict))
  }
}

const strict = (fields: Fields) => z.strictObject(shapeOf(fields))

const shapeOf = (fields: Fields): Readonly<Record<string, z.ZodType>> =>
  Object.fromEntries(
    Object.entries(fields).map(([key, { shape, isOptional, meaning }]) => {
      // The pages' bundle leaves the meanings out.
      const described = meaning === '' ? schema(shape) : schema(shape).describe(meaning)
      return [key, isOptional ? described.optional() : described]
    }),
  )
