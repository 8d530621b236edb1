import { type ReadAtContact, type ReadingBody } from '@pine/core/facts'
import { QUANTITIES, type FieldSpec, type FieldTypes } from '@pine/core/quantities'
import { FACES } from '@pine/core/touch'
import { z } from 'zod'
import {
  address,
  factId,
  gaugeIds,
  name,
  registerNumber,
  row,
  spindleSchema,
  uuid,
  way,
  words,
  writtenLengthSchema,
} from './fields'
import { fieldsOf } from './same-fields'

/** What a field of a reading is, by the name that core gives it. */
const FIELDS = fieldsOf<FieldTypes>()(
  {
    tool: registerNumber,
    row,
    face: z.enum(FACES),
    point: z.int().min(1).max(99),
    length: writtenLengthSchema,
    dial: z.strictObject({
      left: writtenLengthSchema,
      right: writtenLengthSchema,
      front: writtenLengthSchema,
      back: writtenLengthSchema,
    }),
    gauges: gaugeIds,
    way,
    ways: z.strictObject({ X: way.optional(), Y: way.optional() }),
  },
  true,
)

/** What every reading says, whatever it reads. */
const readingBody = fieldsOf<ReadAtContact>()(
  {
    read: writtenLengthSchema,
    with: gaugeIds,
    approach: way.optional(),
    spindle: spindleSchema.optional(),
    position: z
      .discriminatedUnion('of', [
        z.strictObject({ of: z.literal('counter') }),
        z.strictObject({ of: z.literal('counter-from'), tool: registerNumber.nullable() }),
        z.strictObject({
          of: z.literal('work'),
          row,
          holds: z.strictObject({
            X: writtenLengthSchema.optional(),
            Y: writtenLengthSchema.optional(),
            Z: writtenLengthSchema.optional(),
          }),
          length: z.strictObject({ address, holds: writtenLengthSchema }).optional(),
        }),
      ])
      .optional(),
    supersedes: factId.optional(),
    reason: words.optional(),
    surprise: words.optional(),
    contactShown: z.literal(true).optional(),
    movedOver: z.literal(true).optional(),
    dialFalls: z.literal(true).optional(),
    kept: z
      .strictObject({
        setup: uuid(),
        reading: factId,
        name,
        by: name,
        at: z.iso.datetime({ offset: true }),
        proven: z.literal(true).optional(),
        generation: name.optional(),
        check: z.literal(true).optional(),
      })
      .optional(),
  },
  true,
)

function fieldSchema(spec: FieldSpec): z.ZodType {
  if (typeof spec !== 'string') return z.enum(spec)
  const [name = '', optional] = spec.split('?')
  const schema = FIELDS[name as keyof FieldTypes]
  return optional === undefined ? schema : schema.optional()
}

const variants = Object.entries(QUANTITIES).map(([of, { named, said }]) =>
  z.strictObject({
    of: z.literal(of),
    ...Object.fromEntries(
      Object.entries({ ...named, ...said }).map(([field, spec]) => [field, fieldSchema(spec)]),
    ),
    ...readingBody,
  }),
)

/** A reading, made from core's quantities: another quantity is another line there, and none here. */
export const readingSchema = z.discriminatedUnion('of', variants as never) as unknown as z.ZodType<
  ReadingBody,
  ReadingBody
>
