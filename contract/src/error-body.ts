import { z } from 'zod'

/** One thing that is wrong with an input, in words: the error shape of the API and of the command line. */
export const reportedProblemSchema = z.object({
  code: z.string(),
  /** Path in what was sent, such as `readings.2.read`; empty for the whole. */
  place: z.string(),
  message: z.string(),
  expected: z.string(),
  received: z.string(),
  remedy: z.string(),
})

export type ReportedProblem = z.infer<typeof reportedProblemSchema>

export const errorBodySchema = z.object({
  error: reportedProblemSchema.extend({
    /** Everything that is wrong, the first one included. */
    problems: z.array(reportedProblemSchema),
  }),
})

export type ErrorBody = z.infer<typeof errorBodySchema>
