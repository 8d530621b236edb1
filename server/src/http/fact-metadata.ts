import { z } from 'zod'

/** What is said beside a fact that is sent. */
export const factMetadataSchema = z.object({
  /** How many facts of the set-up the sender has. */
  known: z.coerce.number().int().min(0).optional(),
  /** How many the device had when it was entered. */
  seen: z.coerce.number().int().min(0).optional(),
  /** Which browser it was entered in: what one device enters is in order. */
  device: z.uuid().optional(),
  /** Who entered it: another person than the one who is signed in by now sends it not. */
  by: z.uuid().optional(),
  /** When it was entered, by the clock of the device. */
  at: z.iso.datetime({ offset: true }).optional(),
  /** What that clock showed when it was sent. */
  sent: z.iso.datetime({ offset: true }).optional(),
})
