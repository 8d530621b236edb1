import { zValidator } from '@hono/zod-validator'
import { resolver, uniqueSymbol } from 'hono-openapi'
import { reportIssues } from '@pine/contract'
import type { z } from 'zod'
import { refuseInput } from '../refusal'
import { replyRefusal } from './reply'

/** The schema stands beside the check, where the description of the API (describes.ts) finds it. */
const described = <Check extends object>(
  check: Check,
  target: 'json' | 'query',
  schema: z.ZodType,
): Check => Object.assign(check, { [uniqueSymbol]: { target, ...resolver(schema) } })

/** Validates what stands behind the question mark. */
export const query = <Schema extends z.ZodType>(schema: Schema) =>
  described(
    zValidator('query', schema, (result, context) =>
      result.success
        ? undefined
        : replyRefusal(
            context,
            refuseInput(reportIssues(result.error, context.req.query())).refusal,
          ),
    ),
    'query',
    schema,
  )

/** Validates a JSON body by the contract; every problem is told at once, with its place. */
export const body = <Schema extends z.ZodType>(schema: Schema) =>
  described(
    zValidator('json', schema, async (result, context) => {
      if (result.success) return undefined
      // The validator hands over what it parsed only on success: read the body again for what came.
      const input: unknown = await context.req.json().catch(() => undefined)
      return replyRefusal(context, refuseInput(reportIssues(result.error, input)).refusal)
    }),
    'json',
    schema,
  )
