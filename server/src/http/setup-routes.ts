import { Hono } from 'hono'
import { z } from 'zod'
import type { Setups } from '../use-cases/setups'
import { besideFactSchema } from './beside-fact'
import { body, query } from './body'
import { describes } from './describes'
import { replyJson, replyRefusal } from './reply'
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
      async (c) => {
        const made = await setups.create(c.var.person, c.req.valid('json'), c.req.valid('query'))
        return made.ok ? c.json(made.value, 201) : replyRefusal(c, made.refusal)
      },
    )
    .get('/setups/:id', describes('A set-up with all its facts', setupAnswerSchema), async (c) => {
      const opened = await setups.openAsJson(c.req.param('id'))
      return opened.ok ? replyJson(c, opened.value) : replyRefusal(c, opened.refusal)
    })
    .get(
      '/setups/:id/facts',
      describes('Facts of a set-up from a place on', factsAnswerSchema),
      query(sinceSchema),
      async (c) => {
        const since = await setups.since(c.req.param('id'), c.req.valid('query').from)
        return since.ok ? c.json(since.value) : replyRefusal(c, since.refusal)
      },
    )
    .get(
      '/setups/:id/solution',
      describes('Registers, checks and warnings of a set-up', solutionViewSchema),
      async (c) => {
        const solved = await setups.solution(c.req.param('id'))
        return solved.ok ? c.json(solved.value) : replyRefusal(c, solved.refusal)
      },
    )
    .get(
      '/setups/:id/touch-plan',
      describes('The order in which touching takes least time', touchPlanSchema),
      async (c) => {
        const plan = await setups.touchPlan(c.req.param('id'))
        return plan.ok ? c.json(plan.value) : replyRefusal(c, plan.refusal)
      },
    )
    .get(
      '/setups/:id/kept',
      describes('Lengths of earlier set-ups that can be reused', keptAnswerSchema),
      async (c) => {
        const kept = await setups.kept(c.req.param('id'))
        return kept.ok ? c.json(kept.value) : replyRefusal(c, kept.refusal)
      },
    )
    .get(
      '/setups/:id/records/:record',
      describes('A release, as it was frozen', recordSchema),
      async (c) => {
        const found = await setups.record(c.req.param('id'), c.req.param('record'))
        return found.ok ? c.json(found.value) : replyRefusal(c, found.refusal)
      },
    )
    .post(
      '/setups/:id/facts',
      describes('Append a fact to a set-up', factsAnswerSchema, 201),
      query(besideFactSchema),
      body(newFactSchema),
      async (c) => {
        const beside = c.req.valid('query')
        const added = await setups.add(c.var.person, c.req.param('id'), c.req.valid('json'), beside)
        return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
      },
    )
