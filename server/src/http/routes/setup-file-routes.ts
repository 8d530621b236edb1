import { Hono, type Context } from 'hono'
import {
  keptSetupFileSchema,
  setupFileAnswerSchema,
  setupFilePreviewSchema,
  setupFileQuerySchema,
} from '@pine/contract'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { keepSetupFile, keptSetupFile, previewSetupFile } from '../../use-cases/setup-files'
import { query } from '../body'
import type { Signed } from '../door/session'
import { reply } from '../reply'
import { describes } from './describes'

/** Set-up files that come in: looked at first, then kept for what is set up from them. The body is the file, byte for byte. */
export const setupFileRoutes = (store: Store, clock: Clock) => {
  const bytesOf = async (c: Context) => new Uint8Array(await c.req.arrayBuffer())
  return new Hono<Signed>()
    .post(
      '/imports/set-up/preview',
      describes('A set-up file as it is understood; nothing is written', setupFilePreviewSchema),
      query(setupFileQuerySchema),
      async (c) => {
        const { name } = c.req.valid('query')
        return reply(c, await previewSetupFile(store, c.var.person, name, await bytesOf(c)))
      },
    )
    .post(
      '/imports/set-up',
      describes('Keep a set-up file under the hash of its bytes', keptSetupFileSchema, 201),
      async (c) => reply(c, await keepSetupFile(store, clock, c.var.person, await bytesOf(c)), 201),
    )
    .get(
      '/imports/set-up/:sha256',
      describes('A set-up file that was kept', setupFileAnswerSchema),
      async (c) => reply(c, await keptSetupFile(store, c.req.param('sha256'))),
    )
}
