import { Hono } from 'hono'
import type { Setups } from '../../use-cases/setups/setups'
import { query } from '../body'
import { describes } from './describes'
import { reply, replyJson, replyRefusal } from '../reply'
import {
  firstPartsSchema,
  keptAnswerSchema,
  recordSchema,
  setupAnswerSchema,
  setupPageSchema,
  setupQuerySchema,
  solutionViewSchema,
  touchPlanSchema,
} from '@pine/contract'
import type { Signed } from '../door/session'

/** Set-ups: their list, their facts, and what follows from them. */
export const setupRoutes = (setups: Setups) =>
  new Hono<Signed>()
    .get(
      '/setups',
      describes('A page of the list of set-ups', setupPageSchema),
      query(setupQuerySchema),
      async (c) => replyJson(c, await setups.list(c.req.valid('query'))),
    )
    .get('/setups/:id', describes('A set-up with all its facts', setupAnswerSchema), async (c) => {
      const opened = await setups.openAsJson(c.req.param('id'))
      return opened.ok ? replyJson(c, opened.value) : replyRefusal(c, opened.refusal)
    })
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
      '/setups/:id/first-parts',
      describes('What was measured of the parts of its job, over time', firstPartsSchema),
      async (c) => reply(c, await setups.firstParts(c.req.param('id'))),
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
