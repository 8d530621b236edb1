import { Hono } from 'hono'
import { logPageSchema, logQuerySchema } from '@pine/contract'
import type { Store } from '../../store/store'
import { logPage } from '../../use-cases/log'
import { query } from '../body'
import type { Signed } from '../door/session'
import { reply } from '../reply'
import { describes } from './describes'

/** Everything that was entered in the shop, by whom and when. */
export const logRoutes = (store: Store) =>
  new Hono<Signed>().get(
    '/log',
    describes('A page of what was entered in the shop, the youngest first', logPageSchema),
    query(logQuerySchema),
    async (c) => reply(c, await logPage(store, c.req.valid('query'))),
  )
