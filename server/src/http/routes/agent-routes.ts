import { Hono } from 'hono'
import { agentToldSchema } from '@pine/contract'
import type { Agents } from '../../agents/ask-agent'
import type { Store } from '../../store/store'
import { askMachine } from '../../use-cases/agent'
import type { Signed } from '../door/session'
import { reply } from '../reply'
import { describes } from './describes'

/** What machines say of themselves. */
export const agentRoutes = (store: Store, agents: Agents) =>
  new Hono<Signed>().get(
    '/machines/:id/agent',
    describes('What a machine says of itself now, by its agent', agentToldSchema),
    async (c) => reply(c, await askMachine(store, agents, c.req.param('id'))),
  )
