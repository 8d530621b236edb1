import { Hono } from 'hono'
import { z } from 'zod'
import type { Setups } from '../use-cases/setups'
import { besideFactSchema } from './beside-fact'
import { body, query } from './body'
import { describes } from './describes'
import { reply, replyJson, replyRefusal } from './reply'
import {
  factsAnswerSchema,
  keptAnswerSchema,
  newFactSchema,
  newSetupSchema,
  recordSchema,
  setupAnswerSchema,
  setupPageSchema,
  setupQuerySchema,
  solutionViewSchema,
  touchPlanSchema,
} from '@pine/contract'
import type { Signed } from './session'

/** From which place on the facts of a set-up are wanted. */
const sinceSchema = z.object({ from: z.coerce.number().int().min(0) })

/** Set-ups: their list, their facts, and what follows from them. */
export const setupRoutes = (setups: Setups) =>
  new Hono<Signed>()
    .get(
      '/setups',
      describes('A page of the list of set-ups', setupPageSchema),
      query(setupQuerySchema),
      async (c) => replyJson(c, await setups.list(c.req.valid('query'))),
    )
    .post(
      '/setups',
      describes('Begin a set-up with its sheet', setupAnswerSchema, 201),
      query(besideFactSchema),
      body(newSetupSchema),
      async (c) =>
        reply(c, await setups.create(c.var.person, c.req.valid('json'), c.req.valid('query')), 201),
    )
    .get('/setups/:id', describes('A set-up with all its facts', setupAnswerSchema), async (c) => {
      const opened = await setups.openAsJson(c.req.param('id'))
      return opened.ok ? replyJson(c, opened.value) : replyRefusal(c, opened.refusal)
    })
    .get(
      '/setups/:id/facts',
      describes('Facts of a set-up from a place on', factsAnswerSchema),
      query(sinceSchema),
      async (c) => reply(c, await setups.since(c.req.param('id'), c.req.valid('query').from)),
    )
    .get(
      '/setups/:id/solution',
      describes('Registers, checks and warnings of a set-up', solutionViewSchema),
      async (c) => reply(c, await setups.solution(c.req.param('id'))),
    )
    .get(
      '/setups/:id/touch-plan',
      describes('The order in which touching takes least time', touchPlanSchema),
      async (c) => reply(c, await setups.touchPlan(c.req.param('id'))),
    )
    .get(
      '/setups/:id/kept',
      describes('Lengths of earlier set-ups that can be reused', keptAnswerSchema),
      async (c) => reply(c, await setups.kept(c.req.param('id'))),
    )
    .get(
      '/setups/:id/records/:record',
      describes('A release, as it was frozen', recordSchema),
      async (c) => reply(c, await setups.record(c.req.param('id'), c.req.param('record'))),
    )
    .post(
      '/setups/:id/facts',
      describes('Append a fact to a set-up', factsAnswerSchema, 201),
      query(besideFactSchema),
      body(newFactSchema),
      async (c) => {
        const beside = c.req.valid('query')
        return reply(
          c,
          await setups.add(c.var.person, c.req.param('id'), c.req.valid('json'), beside),
          201,
        )
      },
    )
