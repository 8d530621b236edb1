import { describeRoute, resolver } from 'hono-openapi'
import { errorBodySchema } from '@pine/contract'
import type { z } from 'zod'

const asJson = (schema: z.ZodType) => ({ 'application/json': { schema: resolver(schema) } })

/**
 * What a route is for and what it answers, for /api/openapi.json. Every route has one: openapi.test.ts asks.
 *
 * @param answer schema of the body, or the media type of what is no JSON.
 */
export const describes = (summary: string, answer: z.ZodType | string, status: 200 | 201 = 200) =>
  describeRoute({
    summary,
    responses: {
      [status]: {
        description: summary,
        content: typeof answer === 'string' ? { [answer]: {} } : asJson(answer),
      },
      default: {
        description: 'Refused: what was expected, what came, and what to do.',
        content: asJson(errorBodySchema),
      },
    },
  })
