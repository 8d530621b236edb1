import { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import type { Clock } from '../clock'
import type { Changes, ChangeNotice } from '../store/changes'
import type { PeopleStore } from '../store/people-store'
import { refuse } from '../refusal'
import { hashToken } from '../use-cases/people/sign-in'
import { describes } from './routes/describes'
import { replyRefusal } from './reply'
import { personOf, tokenOf, type Signed } from './door/session'

/** Open lines of one session, at most: a device holds one, or one for each of its pages. */
const MOST_LINES = 12

/** A line that nothing is said on is taken for dead by what lies between. */
const HEARTBEAT_MS = 20_000

/**
 * Tells a device of every fact of the shop as it is written: which stream, and its place in it. The device asks for what
 * it does not have. It ends with the session, and with the server.
 */
export const liveRoutes = (
  store: PeopleStore & { shop(): Promise<{ readonly id: string }> },
  clock: Clock,
  changes: Changes,
) => {
  const lines = new Map<string, number>()
  return new Hono<Signed>().get(
    '/live',
    describes('Facts of the shop as they are written: server-sent events', 'text/event-stream'),
    async (c) => {
      const session = hashToken(tokenOf(c) ?? '')
      const open = lines.get(session) ?? 0
      if (open >= MOST_LINES) return replyRefusal(c, tooManyLines())
      lines.set(session, open + 1)
      const { id: shopId } = await store.shop()
      c.header('X-Accel-Buffering', 'no')
      return streamSSE(c, async (stream) => {
        const notices: ChangeNotice[] = []
        let wake = () => {}
        const leave = changes.subscribe((one) => {
          if (typeof one === 'object' && one.shopId !== shopId) return
          notices.push(one)
          wake()
        })
        const stop = () => wake()
        changes.closed.addEventListener('abort', stop)
        stream.onAbort(stop)
        /** Somebody who was put out, or signed out, hears nothing more; who cannot be asked for comes again by itself. */
        const mayHear = async () =>
          (await personOf(c, store, clock).catch(() => undefined)) !== undefined
        await stream.writeSSE({ event: 'gap', data: '' })
        while (!stream.aborted && !changes.closed.aborted) {
          const next = notices.shift()
          // Who may hear cannot be asked while the database is away: that it is tells nothing of the shop.
          if (next === 'away') {
            await stream.writeSSE({ event: 'away', data: '' })
            continue
          }
          if (next !== undefined && !(await mayHear())) break
          if (next === 'gap') await stream.writeSSE({ event: 'gap', data: '' })
          else if (typeof next === 'object') {
            const { kind, id, place } = next
            await stream.writeSSE({ event: 'fact', data: JSON.stringify({ kind, id, place }) })
          } else if (
            next === undefined &&
            !(await somethingIn(HEARTBEAT_MS, (woken) => (wake = woken)))
          ) {
            if (!(await mayHear())) break
            await stream.writeSSE({ event: 'still-here', data: '' })
          }
        }
        changes.closed.removeEventListener('abort', stop)
        leave()
        const left = (lines.get(session) ?? 1) - 1
        if (left > 0) lines.set(session, left)
        else lines.delete(session)
      })
    },
  )
}

const tooManyLines = () =>
  refuse('too-many-lines', {
    message: 'This session listens on too many pages already.',
    expected: `at most ${MOST_LINES} open pages of one session`,
    received: 'one more',
    remedy: 'Close pages of this product that you do not look at.',
  }).refusal

/** Whether it was woken before the time was over. */
function somethingIn(ms: number, hand: (wake: () => void) => void): Promise<boolean> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(false), ms)
    hand(() => {
      clearTimeout(timer)
      resolve(true)
    })
  })
}
