import { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import type { Clock } from '../clock'
import type { Changes, Heard } from '../store/changes'
import type { PeopleStore } from '../store/people-store'
import { personOf, type Signed } from './session'

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
) =>
  new Hono<Signed>().get('/live', async (c) => {
    const { id: shopId } = await store.shop()
    c.header('X-Accel-Buffering', 'no')
    return streamSSE(c, async (stream) => {
      const heard: Heard[] = []
      let wake = () => {}
      const leave = changes.subscribe((one) => {
        if (one !== 'gap' && one.shopId !== shopId) return
        heard.push(one)
        wake()
      })
      const stop = () => wake()
      changes.closed.addEventListener('abort', stop)
      stream.onAbort(stop)
      await stream.writeSSE({ event: 'gap', data: '' })
      while (!stream.aborted && !changes.closed.aborted) {
        const next = heard.shift()
        if (next === 'gap') await stream.writeSSE({ event: 'gap', data: '' })
        else if (next !== undefined) {
          const { kind, id, place } = next
          await stream.writeSSE({ event: 'fact', data: JSON.stringify({ kind, id, place }) })
        } else if (!(await somethingIn(HEARTBEAT_MS, (woken) => (wake = woken)))) {
          if ((await personOf(c, store, clock)) === undefined) break
          await stream.writeSSE({ event: 'still-here', data: '' })
        }
      }
      changes.closed.removeEventListener('abort', stop)
      leave()
    })
  })

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
