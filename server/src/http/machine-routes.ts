import { Hono } from 'hono'
import {
  changedMachineSchema,
  machineHistorySchema,
  machineSchema,
  newMachineSchema,
  newReversalTestSchema,
} from '@pine/contract'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { addReversalTest, machineHistory } from '../use-cases/machine-history'
import { body } from './body'
import { describes } from './describes'
import { reply } from './reply'
import { machinesOf, addMachine, changeMachine } from '../use-cases/shop'
import { z } from 'zod'
import type { Signed } from './session'

/** Machines over time: what their controls hold, how their screws were tested, what happened to them. */
export const machineRoutes = (store: Store, clock: Clock) =>
  new Hono<Signed>()
    .get('/machines', describes('Machines of the shop', z.array(machineSchema)), async (c) =>
      c.json(await machinesOf(store)),
    )
    .post(
      '/machines',
      describes('Declare a machine', machineSchema, 201),
      body(newMachineSchema),
      async (c) => reply(c, await addMachine(store, clock, c.var.person, c.req.valid('json')), 201),
    )
    .put(
      '/machines/:id',
      describes('Declare a machine anew, or retire it', machineSchema),
      body(changedMachineSchema),
      async (c) => {
        const { person } = c.var
        const id = c.req.param('id')
        return reply(c, await changeMachine(store, clock, person, id, c.req.valid('json')))
      },
    )
    .get(
      '/machines/:id/history',
      describes(
        'A machine with what its control holds and what happened to it',
        machineHistorySchema,
      ),
      async (c) => reply(c, await machineHistory(store, c.req.param('id'))),
    )
    .post(
      '/machines/:id/reversal-tests',
      describes('Record a backlash test of an axis', machineHistorySchema, 201),
      body(newReversalTestSchema),
      async (c) => {
        const { person } = c.var
        const id = c.req.param('id')
        return reply(c, await addReversalTest(store, clock, person, id, c.req.valid('json')), 201)
      },
    )
