import { z } from 'zod'
import { reportedProblemSchema } from '../error-body'
import { setupFileSchema } from '../setup-facts'

/** The name of the file that comes as the body. */
export const setupFileQuerySchema = z.object({ name: z.string().trim().min(1).max(200) })

/** A set-up file as it was understood; nothing is written yet. */
export const setupFilePreviewSchema = z.object({
  name: z.string(),
  sha256: z.string(),
  /** As version 2, whatever it was written in; absent where something is wrong with it. */
  file: setupFileSchema.optional(),
  /** The shop has this very set-up already, under the same id. */
  isHere: z.boolean(),
  /** What is wrong with it, by its place; the first hundred where there are more. */
  problems: z.array(reportedProblemSchema),
  problemsInAll: z.number(),
})
export type SetupFilePreview = z.infer<typeof setupFilePreviewSchema>

/** A set-up file that is kept, whole, under the hash of its bytes. */
export const keptSetupFileSchema = z.object({ sha256: z.string() })

/** One that was kept, as it is understood. */
export const setupFileAnswerSchema = z.object({ file: setupFileSchema })
