import { STREAM_KINDS } from '@pine/core/journal'
import { STORY_KINDS } from '@pine/core/words'
import { z } from 'zod'
import { uuid } from './schema-of'

/** How a page of the log is asked for; each that is said narrows it. */
export const logQuerySchema = z.object({
  /** What the page before ended with. */
  before: z.string().max(120).optional(),
  person: z.uuid().optional(),
  machine: z.uuid().optional(),
  tool: z.uuid().optional(),
  gauge: z.uuid().optional(),
  /** `G54.X`, `H3`. */
  register: z.string().trim().max(20).optional(),
  /** From a moment on, and up to another. */
  from: z.iso.datetime({ offset: true }).optional(),
  to: z.iso.datetime({ offset: true }).optional(),
})
export type LogQuery = z.infer<typeof logQuerySchema>

/** A page of what was entered in the shop, the youngest first. */
export const logPageSchema = z.object({
  lines: z.array(
    z.object({
      id: uuid(),
      at: z.string(),
      by: z.string(),
      stream: z.object({ kind: z.enum(STREAM_KINDS), id: uuid(), name: z.string() }),
      tells: z.enum(STORY_KINDS),
      words: z.string(),
    }),
  ),
  /** Asks for the next page; null where this is the last. */
  next: z.string().nullable(),
})
export type LogPage = z.infer<typeof logPageSchema>
