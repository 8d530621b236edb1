import { z } from 'zod'
import { registerNumber } from './schema-of'
import { SETUP_FACTS } from '../setup-facts'

/** What earlier set-ups tell of the tools of this one. */
export const keptAnswerSchema = z.object({
  tools: z.array(
    z.object({
      tool: registerNumber,
      take: z.enum(['as-it-was', 'after-rebase', 'nothing']),
      /** Among those that are touched again all the same. */
      check: z.boolean(),
      words: z.string(),
      /** When, by whom and in which set-up it was touched; absent where nothing is taken over. */
      from: z.string().optional(),
    }),
  ),
  /**
   * The readings that taking over enters, by the generation of the plane that they were made in: the oldest first, today's
   * last. Between two generations it was moved: that is entered, and one tool of each earlier one is touched.
   */
  generations: z.array(z.array(SETUP_FACTS.reading.body)),
  /** How long one touch takes on this machine, in minutes; absent while its log does not tell. */
  minutes: z
    .object({ median: z.number(), lower: z.number(), upper: z.number(), count: z.number() })
    .optional(),
})
export type KeptAnswer = z.infer<typeof keptAnswerSchema>
