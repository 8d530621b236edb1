import { zValidator } from '@hono/zod-validator'
import { reportIssues } from '@pine/contract'
import type { z } from 'zod'
import { refuseInput } from '../refusal'
import { replyRefusal } from './reply'

/** Validates what stands behind the question mark. */
export const query = <Schema extends z.ZodType>(schema: Schema) =>
  zValidator('query', schema, (result, context) =>
    result.success
      ? undefined
      : replyRefusal(context, refuseInput(reportIssues(result.error, context.req.query())).refusal),
  )

/** Validates a JSON body by the contract; every problem is told at once, with its place. */
export const body = <Schema extends z.ZodType>(schema: Schema) =>
  zValidator('json', schema, async (result, context) => {
    if (result.success) return undefined
    // The validator hands over what it parsed only on success: read the body again for what came.
    const input: unknown = await context.req.json().catch(() => undefined)
    return replyRefusal(context, refuseInput(reportIssues(result.error, input)).refusal)
  })
