import { Hono } from 'hono'
import { machineReportSchema } from '@pine/contract'
import type { Agents } from '../../agents/ask-agent'
import type { Store } from '../../store/store'
import { askMachine } from '../../use-cases/agent'
import type { Signed } from '../door/session'
import { reply } from '../reply'
import { describes } from './describes'

/** Reports of machines. */
export const agentRoutes = (store: Store, agents: Agents) =>
  new Hono<Signed>().get(
    '/machines/:id/agent',
    describes('Report of a machine at this moment, from its agent', machineReportSchema),
    async (c) => reply(c, await askMachine(store, agents, c.req.param('id'))),
  )
