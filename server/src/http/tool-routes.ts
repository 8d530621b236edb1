import { Hono } from 'hono'
import {
  changedToolSchema,
  doneSchema,
  pocketsSchema,
  toolAssemblySchema,
  toolHistorySchema,
  toolPageSchema,
  newMachineEventSchema,
  newToolEventSchema,
  newToolSchema,
  toolQuerySchema,
} from '@pine/contract'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { pocketsOf } from '../use-cases/pockets'
import { addTool, changeTool, toolHistory, toolPage } from '../use-cases/tools'
import { addMachineEvent, addToolEvent } from '../use-cases/happened'
import type { Setups } from '../use-cases/setups'
import { body, query } from './body'
import { describes } from './describes'
import { reply } from './reply'
import type { Signed } from './session'

/** Tools over time: what they are, where they are, what was measured of them and what happened to them. */
export const toolRoutes = (store: Store, clock: Clock, setups: Setups) =>
  new Hono<Signed>()
    .get(
      '/tools',
      describes('A page of the tools', toolPageSchema),
      query(toolQuerySchema),
      async (c) => c.json(await toolPage(store, clock, c.req.valid('query'))),
    )
    .post(
      '/tools',
      describes('Declare a tool', toolAssemblySchema, 201),
      body(newToolSchema),
      async (c) => reply(c, await addTool(store, clock, c.var.person, c.req.valid('json')), 201),
    )
    .get(
      '/tools/:id',
      describes('A tool with what was measured of it', toolHistorySchema),
      async (c) => reply(c, await toolHistory(store, clock, c.req.param('id'))),
    )
    .put(
      '/tools/:id',
      describes('Declare a tool anew, or retire it', toolAssemblySchema),
      body(changedToolSchema),
      async (c) => {
        const { person } = c.var
        return reply(
          c,
          await changeTool(store, clock, person, c.req.param('id'), c.req.valid('json')),
        )
      },
    )
    .post(
      '/tools/:id/events',
      describes('Report what happened to a tool', toolHistorySchema, 201),
      body(newToolEventSchema),
      async (c) => {
        const { person } = c.var
        const id = c.req.param('id')
        return reply(
          c,
          await addToolEvent({ store, clock, setups }, person, id, c.req.valid('json')),
          201,
        )
      },
    )
    .get(
      '/machines/:id/tools',
      describes('What is in the pockets of a machine', pocketsSchema),
      async (c) => c.json(await pocketsOf(store, clock, c.req.param('id'))),
    )
    .post(
      '/machines/:id/events',
      describes('Report what happened to a machine', doneSchema, 201),
      body(newMachineEventSchema),
      async (c) => {
        const { person } = c.var
        const id = c.req.param('id')
        return reply(
          c,
          await addMachineEvent({ store, clock, setups }, person, id, c.req.valid('json')),
          201,
        )
      },
    )
