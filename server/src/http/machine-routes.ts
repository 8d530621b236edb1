import { Hono } from 'hono'
import { newReversalTestSchema } from '@pine/contract'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { addReversalTest, machineHistory } from '../use-cases/machine-history'
import { body } from './body'
import { replyRefusal } from './reply'
import type { Signed } from './session'

/** Machines over time: what their controls hold, how their screws were tested, what happened to them. */
export const machineRoutes = (store: Store, clock: Clock) =>
  new Hono<Signed>()
    .get('/machines/:id/history', async (c) => {
      const history = await machineHistory(store, c.req.param('id'))
      return history.ok ? c.json(history.value) : replyRefusal(c, history.refusal)
    })
    .post('/machines/:id/reversal-tests', body(newReversalTestSchema), async (c) => {
      const { person } = c.var
      const id = c.req.param('id')
      const added = await addReversalTest(store, clock, person, id, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
