import { LEAST_PAIRS } from '@pine/core/shop'
import { z } from 'zod'
import { address, uuid, writtenLengthSchema } from './fields'
import { machineDeclarationSchema } from './machine-declaration-schema'

/** How a screw's backlash was found: one place after another, met from both sides. */
export const reversalTestSchema = z.strictObject({
  axis: z.enum(['X', 'Y', 'Z']),
  pairs: z
    .array(z.strictObject({ towardsPlus: writtenLengthSchema, towardsMinus: writtenLengthSchema }))
    .min(LEAST_PAIRS)
    .max(40),
})

export type ReversalTest = z.infer<typeof reversalTestSchema>

/** A test under an id of its own: sent twice it was made once. */
export const newReversalTestSchema = reversalTestSchema.extend({ id: uuid() })
export type NewReversalTest = z.infer<typeof newReversalTestSchema>

const said = { by: z.string(), at: z.string() }

/** A machine with what is known of it over time. */
export const machineHistorySchema = z.object({
  id: uuid(),
  machine: machineDeclarationSchema,
  retired: z.literal(true).optional(),
  /** What its control was last seen to hold or was told, register by register, in whichever set-up. */
  offsets: z.array(
    z.object({
      ...said,
      address,
      /** Absent where it was keyed by a difference or a position, and nobody read what stands there now. */
      shown: writtenLengthSchema.optional(),
      /** It was read back; else only that it was typed is known. */
      isSeen: z.boolean(),
      setup: uuid(),
      name: z.string(),
    }),
  ),
  /** What it was declared to be, the youngest first, each with why. */
  declared: z.array(z.object({ ...said, reason: z.string().optional() })),
  /** Reversal tests, the youngest first. */
  reversals: z.array(reversalTestSchema.extend(said)),
  /** What happened to it or its plane since it was declared, in set-ups and outside of them, the youngest first. */
  happened: z.array(
    z.object({
      what: z.enum(['plane-moved', 'home-lost']),
      at: z.string(),
      /** In which set-up, or what somebody noted: that may be nothing. */
      name: z.string(),
      plane: z.string().optional(),
      setup: z.string().optional(),
    }),
  ),
})
export type MachineHistory = z.infer<typeof machineHistorySchema>
