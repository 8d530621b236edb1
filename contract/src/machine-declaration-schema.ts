import { DISPLAY_HABITS, PROVES } from '@pine/core/sheet'
import { z } from 'zod'
import { byAxis, name, offsetKeyMode, turnsAMinute, writtenLengthSchema } from './fields'

export const controlProfileSchema = z.strictObject({
  decimals: z.strictObject({ mm: z.int().min(1).max(6), in: z.int().min(1).max(5) }),
  lengthKey: z.enum(['set', 'add', 'copy', 'copy-counter', 'stored']),
  workOffsetKey: offsetKeyMode,
  workOffsetKeys: z
    .strictObject({
      X: offsetKeyMode.optional(),
      Y: offsetKeyMode.optional(),
      Z: offsetKeyMode.optional(),
    })
    .optional(),
  toolLengths: z.enum(['registers', 'none']).optional(),
  lengthSign: z.enum(['added', 'subtracted']).optional(),
  diameterRegister: z.enum(['diameter', 'radius']).optional(),
})

export const machineDeclarationSchema = z.strictObject({
  name,
  kind: z.enum(['mill', 'router']),
  control: controlProfileSchema,
  lostMotion: byAxis(writtenLengthSchema).optional(),
  externalOffset: byAxis(writtenLengthSchema).optional(),
  travels: byAxis(
    z.strictObject({ min: writtenLengthSchema, max: writtenLengthSchema }),
  ).optional(),
  homing: z.enum(['switches', 'axis-by-axis', 'marks']).optional(),
  dialTurn: byAxis(writtenLengthSchema).optional(),
  reads: z.enum(DISPLAY_HABITS).optional(),
  policy: z
    .strictObject({
      maxAgeDays: z.number().positive().max(3650).optional(),
      secondLook: z.boolean().optional(),
      leastGrip: writtenLengthSchema.optional(),
      keptChecks: z.int().min(1).max(100).optional(),
      proves: z.enum(PROVES).optional(),
    })
    .optional(),
  maxSpindleSpeed: turnsAMinute.optional(),
  retract: z
    .string()
    .trim()
    .min(1)
    .max(60)
    .regex(/^[\x20-\x7e]+$/, 'letters, digits and signs that a control has')
    .optional(),
  pockets: z.int().min(2).max(400).optional(),
  fixedSetter: z
    .strictObject({
      X: writtenLengthSchema,
      Y: writtenLengthSchema,
      top: writtenLengthSchema,
      from: writtenLengthSchema,
      margin: writtenLengthSchema,
    })
    .optional(),
  toolChange: byAxis(writtenLengthSchema).optional(),
  quill: z
    .strictObject({ travel: writtenLengthSchema, uncertainty: writtenLengthSchema.optional() })
    .optional(),
})
