import { BLOCK_GRADES, GAUGE_KINDS } from '@pine/core/touch'
import { z } from 'zod'
import { name, turnsAMinute, writtenLengthSchema } from './fields'

export const gaugeSchema = z.strictObject({
  id: name,
  kind: z.enum(GAUGE_KINDS),
  name,
  size: writtenLengthSchema,
  sizeRough: z.literal(true).optional(),
  wall: writtenLengthSchema.optional(),
  repeatability: writtenLengthSchema.optional(),
  uncertainty: writtenLengthSchema.optional(),
  foot: writtenLengthSchema.optional(),
  footUncertainty: writtenLengthSchema.optional(),
  grade: z.enum(BLOCK_GRADES).optional(),
  halfAngle: z.number().min(1).max(89).optional(),
  maxSpeed: turnsAMinute.optional(),
  styli: z
    .array(z.strictObject({ name, length: writtenLengthSchema }))
    .min(1)
    .max(12)
    .optional(),
})

/** How a gauge is watched by the shop; a set-up does not ask. */
export const watchSchema = z.strictObject({
  limit: writtenLengthSchema,
  everyDays: z.int().min(1).max(3650).optional(),
})
