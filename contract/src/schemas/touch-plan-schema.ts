import { z } from 'zod'
import { registerNumber } from './schema-of'

const minutesSchema = z.object({ median: z.number(), lower: z.number(), upper: z.number() })

/** One way to touch a tool, with what it takes and how sure it is. */
const waySchema = z.object({
  with: z.array(z.string()),
  minutes: minutesSchema.extend({ count: z.number() }),
  withinMm: z.number().optional(),
  fitness: z.enum(['fit', 'undecided', 'unfit']).optional(),
})

/** What is left to touch on the setting plane, in the order and by the ways that take the least time and are sure enough. */
export const touchPlanSchema = z.object({
  touches: z.array(
    z.object({
      tool: registerNumber,
      pocket: z.number().optional(),
      /** Index of the chosen way. */
      chosen: z.number(),
      ways: z.array(waySchema),
      /** Minutes before it, for another gauge and the changer. */
      change: z.number(),
      /** It is offered, and touched all the same. */
      check: z.boolean(),
      /** Why it is touched. */
      why: z.string(),
    }),
  ),
  /** Tools that need not be touched, each with the reason. */
  kept: z.array(z.object({ tool: registerNumber, why: z.string() })),
  times: z.object({
    gauge: z.number(),
    changer: z.object({ pockets: z.number(), minutesEach: z.number() }).optional(),
  }),
  minutes: minutesSchema,
  /** No order and no choice that is sure enough takes less. */
  least: z.number(),
})
export type TouchPlanAnswer = z.infer<typeof touchPlanSchema>
