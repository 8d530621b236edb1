import { Hono } from 'hono'
import { pocketsSchema, toolHistorySchema, toolPageSchema, toolQuerySchema } from '@pine/contract'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { pocketsOf } from '../../use-cases/facts/pockets'
import { toolHistory, toolPage } from '../../use-cases/tools'
import { query } from '../body'
import { describes } from './describes'
import { reply } from '../reply'
import type { Signed } from '../door/session'

/** Tools over time: what they are, where they are, what was measured of them and what happened to them. */
export const toolRoutes = (store: Store, clock: Clock) =>
  new Hono<Signed>()
    .get(
      '/tools',
      describes('A page of the tools', toolPageSchema),
      query(toolQuerySchema),
      async (c) => c.json(await toolPage(store, clock, c.req.valid('query'))),
    )
    .get(
      '/tools/:id',
      describes('A tool with what was measured of it', toolHistorySchema),
      async (c) => reply(c, await toolHistory(store, clock, c.req.param('id'))),
    )
    .get(
      '/machines/:id/tools',
      describes('What is in the pockets of a machine', pocketsSchema),
      async (c) => c.json(await pocketsOf(store, clock, c.req.param('id'))),
    )
