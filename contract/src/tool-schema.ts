import { SEATS, TOOL_HAPPENINGS } from '@pine/core/shop'
import { z } from 'zod'
import { name, reason, registerNumber, uuid, words, writtenLengthSchema } from './fields'

/** Where a tool is: in a pocket of a machine, by the number that it is called with there. */
const placeSchema = z.strictObject({ machine: uuid(), pocket: registerNumber })

/** Properties by their ISO 13399 symbols; what each is called is core's (TOOL_PROPERTIES). */
const propertiesSchema = z.strictObject({
  DC: writtenLengthSchema.optional(),
  LF: writtenLengthSchema.optional(),
  OAL: writtenLengthSchema.optional(),
  LU: writtenLengthSchema.optional(),
  APMX: writtenLengthSchema.optional(),
  RE: writtenLengthSchema.optional(),
  DCONMS: writtenLengthSchema.optional(),
  NOF: z.int().min(1).max(40).optional(),
  SIG: z.number().min(1).max(180).optional(),
})

/** A tool in its holder, as it is declared. */
export const toolAssemblySchema = z.strictObject({
  name,
  holder: z.strictObject({ name, seat: z.enum(SEATS).optional() }).optional(),
  stickOut: writtenLengthSchema.optional(),
  properties: propertiesSchema.optional(),
  place: placeSchema.optional(),
})

export const toolFactSchema = toolAssemblySchema.extend({
  reason: reason.optional(),
  retired: z.literal(true).optional(),
})

/** What happened to a tool outside of a set-up. */
export const toolEventSchema = z.strictObject({ what: z.enum(TOOL_HAPPENINGS), note: words })

/** What happened to a machine outside of a set-up: its setting plane was moved (which one), or it lost its home. */
export const machineEventSchema = z.strictObject({
  what: z.enum(['plane-moved', 'home-lost']),
  plane: name.optional(),
  note: words,
})
