import { Readable } from 'node:stream'
import { Hono } from 'hono'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { archiveOf } from '../../use-cases/archive/archive-shop'
import type { Signed } from '../door/session'
import { replyRefusal } from '../reply'
import { describes } from './describes'

/** The whole shop as one file, for a lead. It is put back by whoever has the keys of a server: `bin/pine restore`. */
export const archiveRoutes = (store: Store, clock: Clock) =>
  new Hono<Signed>().get(
    '/archive',
    describes('Everything of the shop as one file', 'application/zip'),
    async (c) => {
      const archived = await archiveOf(store, clock, c.var.person)
      if (!archived.ok) return replyRefusal(c, archived.refusal)
      const { name, zip } = archived.value
      return c.body(Readable.toWeb(zip) as ReadableStream, 200, {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="${name}"`,
      })
    },
  )
