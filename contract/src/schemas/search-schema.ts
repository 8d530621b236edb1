import { z } from 'zod'

export const searchQuerySchema = z.object({ find: z.string().trim().min(1).max(120) })

/** What was found over everything that the shop keeps: a few of each kind, those that changed last first. */
export const foundSchema = z.array(
  z.object({
    kind: z.enum(['setup', 'tool', 'gauge', 'machine', 'program']),
    id: z.uuid(),
    name: z.string(),
    /** Where it is, or what it is on. */
    about: z.string(),
  }),
)
export type Found = z.infer<typeof foundSchema>
