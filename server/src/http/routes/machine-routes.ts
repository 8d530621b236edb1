import { Hono } from 'hono'
import { machineHistorySchema, machineSchema } from '@pine/contract'
import type { Store } from '../../store/store'
import { machineHistory } from '../../use-cases/machine-history'
import { describes } from './describes'
import { reply } from '../reply'
import { machinesOf } from '../../use-cases/shop'
import { z } from 'zod'
import type { Signed } from '../door/session'

/** Machines over time: what their controls hold, how their screws were tested, what happened to them. */
export const machineRoutes = (store: Store) =>
  new Hono<Signed>()
    .get('/machines', describes('Machines of the shop', z.array(machineSchema)), async (c) =>
      c.json(await machinesOf(store)),
    )
    .get(
      '/machines/:id/history',
      describes(
        'A machine with what its control holds and what happened to it',
        machineHistorySchema,
      ),
      async (c) => reply(c, await machineHistory(store, c.req.param('id'))),
    )
