import { LAST_FURTHER_ROW, OFFSET_ROWS, type Address } from '@pine/core/address'
import { LENGTH_UNITS } from '@pine/core/length'
import { KEY_MODES } from '@pine/core/sheet'
import { z } from 'zod'

export const name = z.string().trim().min(1).max(120)
export const words = z.string().trim().max(500)
/** An id, in small letters as the database tells it: the same one in capitals is the same. */
export const uuid = () => z.uuid().toLowerCase()

export const factId = uuid()
/** Kept as typed: whether it is a number is said by core, in the words for a machinist. */
export const writtenLengthSchema = z.strictObject({
  text: z.string().max(40),
  unit: z.enum(LENGTH_UNITS),
})

export const keyMode = z.enum(KEY_MODES)
/** Of a work offset: no counter is copied into it. */
export const offsetKeyMode = keyMode.exclude(['copy-counter', 'stored'])
export const side = z.enum(['outside', 'inside'])
export const row = z.union([
  z.enum(OFFSET_ROWS),
  z.templateLiteral(['G54.1 P', z.int().min(1).max(LAST_FURTHER_ROW)]),
])
const addressText = z
  .string()
  .regex(
    /^([HD]\d{1,3}|(G5[4-9]|G59\.[123]|G54\.1 P\d{1,3})\.([XY]|Z(\.T\d{1,3})?))$/,
    'a register such as H3, G54.Z, G54.1 P2.Z or, set with one tool, G54.Z.T2',
  )
/** A row of the control that holds a number. */
export const address = addressText as unknown as z.ZodType<Address, Address>

/** A tool's number, or that of its row: some controls have a T0 and an H0. */
export const registerNumber = z.int().min(0).max(999)
export const turnsAMinute = z.number().positive().max(1_000_000)

export const gaugeIds = z.array(name).max(10)
export const way = z.enum(['+', '-'])

/** Why somebody did what is not done every day: it stays with the fact. */
export const reason = z.string().trim().min(1, 'a reason').max(2000)

/** What stands in the spindle and which tool the control takes for active; null is the bare nose, and no length. */
export const spindleSchema = z.strictObject({
  holds: registerNumber.nullable(),
  controlSays: registerNumber.nullable(),
})

/** Something of each axis; an axis that has none is not there. */
export const byAxis = <Schema extends z.ZodType>(schema: Schema) =>
  z.strictObject({ X: schema.optional(), Y: schema.optional(), Z: schema.optional() })
