import { Hono, type Context } from 'hono'
import {
  importedSchema,
  importListSchema,
  importPreviewSchema,
  importQuerySchema,
} from '@pine/contract'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { importList, previewImport } from '../../use-cases/import-list'
import { query } from '../body'
import type { Signed } from '../door/session'
import { noRoute } from '../refusals'
import { reply, replyRefusal } from '../reply'
import { describes } from './describes'

/** Lists of tools and gauges from a spreadsheet: looked at first, then entered. The body is the file, byte for byte. */
export const importRoutes = (store: Store, clock: Clock) => {
  const listOf = (c: Context) => importListSchema.safeParse(c.req.param('list')).data
  const bytesOf = async (c: Context) => new Uint8Array(await c.req.arrayBuffer())
  return new Hono<Signed>()
    .post(
      '/imports/:list/preview',
      describes('A list as it would be imported; nothing is written', importPreviewSchema),
      query(importQuerySchema),
      async (c) => {
        const list = listOf(c)
        if (list === undefined) return replyRefusal(c, noRoute(c.req.path))
        const asked = { person: c.var.person, list, query: c.req.valid('query') }
        return reply(c, await previewImport(store, { ...asked, bytes: await bytesOf(c) }))
      },
    )
    .post(
      '/imports/:list',
      describes('Enter the rows of a list in which nothing is wrong', importedSchema, 201),
      query(importQuerySchema),
      async (c) => {
        const list = listOf(c)
        if (list === undefined) return replyRefusal(c, noRoute(c.req.path))
        const asked = { person: c.var.person, list, query: c.req.valid('query') }
        return reply(c, await importList(store, clock, { ...asked, bytes: await bytesOf(c) }), 201)
      },
    )
}
