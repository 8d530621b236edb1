import { MACHINE_FIELDS } from '@pine/core/sheet'
import { SHOP_FIELDS } from '@pine/core/shop'
import { z } from 'zod'
import { address, ENTERED, schemaOfFields, uuid, writtenLengthSchema } from './schema-of'

const stamp = { by: z.string(), at: z.string() }

/** A machine with what is known of it over time. */
export const machineHistorySchema = z.object({
  id: uuid(),
  machine: schemaOfFields(MACHINE_FIELDS),
  retired: z.literal(true).optional(),
  /** What its control was last seen to hold or was told, register by register, in whichever set-up. */
  offsets: z.array(
    z.object({
      ...stamp,
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
  declared: z.array(z.object({ ...stamp, reason: z.string().optional() })),
  /** Reversal tests, the youngest first. */
  reversals: z.array(schemaOfFields({ ...SHOP_FIELDS.machine['reversal-test'], ...ENTERED })),
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
