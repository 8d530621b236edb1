import { Hono } from 'hono'
import { keptProgramTextSchema } from '@pine/contract'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { keepProgramText, programText } from '../../use-cases/setups/programs'
import { describes } from './describes'
import { reply, replyRefusal } from '../reply'
import type { Signed } from '../door/session'

/** Texts of programs, each under its hash. */
export const programRoutes = (store: Store, clock: Clock) =>
  new Hono<Signed>()
    .put(
      '/programs/:sha256/text',
      describes('Store the text of a program under its hash', keptProgramTextSchema, 201),
      async (c) => {
        const bytes = new Uint8Array(await c.req.arrayBuffer())
        return reply(
          c,
          await keepProgramText(store, clock, c.var.person, c.req.param('sha256'), bytes),
          201,
        )
      },
    )
    .get(
      '/programs/:sha256/text',
      describes('The text of a program, byte for byte', 'application/octet-stream'),
      async (c) => {
        const found = await programText(store, c.req.param('sha256'))
        // Bytes, not a page: a browser must not make anything of what stands in them.
        return found.ok
          ? c.body(new Uint8Array(found.value), 200, { 'Content-Type': 'application/octet-stream' })
          : replyRefusal(c, found.refusal)
      },
    )
