import { performance } from 'node:perf_hooks'
import fc from 'fast-check'
import { createApi } from '../../server/src/http/api'
import { listen } from '../../server/src/store/data-source'
import { examplesOf, LEAKS, mutatedRequests } from '../../server/test/mutated-requests'
import { benchShop, line, quantile } from '../support/shop'

// A million requests, mutated from the examples: none may fail (5xx), take 2 s or tell what should not be told, and the memory
// of the server must not grow with them. Beside them the time of a request that asks nothing (/health) in the same run.
// Run: node scripts/with-database.mjs npx tsx --expose-gc bench/server/requests.ts        (REQUESTS=1000000, SEED=1)

const EXAMPLES = examplesOf(new URL('../../docs/examples', import.meta.url).pathname)
const REQUESTS = Number(process.env['REQUESTS'] ?? 1_000_000)
const SEED = Number(process.env['SEED'] ?? 1)
const BATCH = 1000
/** A set-up that takes every sound fact grows without end: others take its place. */
const BATCHES_EACH = 5

const url = process.env['DATABASE_URL'] ?? ''
const { store, clock, cookie, setUp, example, close } = await benchShop(url)
const changes = listen(url)
const failures: unknown[] = []
const api = createApi({ store, clock, changes, onUnexpected: (cause) => failures.push(cause) })

const statuses = new Map<number, number>()
const slow: number[] = []
let [leaks, slowest, idle] = [0, 0, 0]
const heap = () => {
  globalThis.gc?.()
  return process.memoryUsage().heapUsed / 1e6
}
let setups: string[] = []
let heapBefore = NaN
const rounds = Math.ceil(REQUESTS / BATCH)
const started = performance.now()
for (let round = 0; round < rounds; round += 1) {
  if (round % BATCHES_EACH === 0) setups = [await setUp(example), await setUp(example)]
  if (round === 20) heapBefore = heap()
  for (const { method, path, type, body } of fc.sample(mutatedRequests(EXAMPLES, setups, 1), {
    numRuns: BATCH,
    seed: SEED + round,
  })) {
    const asked = performance.now()
    const answer = await api.request(`/api${path}`, {
      method,
      headers: { Cookie: cookie, 'Content-Type': type },
      ...(body !== undefined && { body }),
    })
    const text = await answer.text()
    const took = performance.now() - asked
    slowest = Math.max(slowest, took)
    if (took > 200) slow.push(took)
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
    if (LEAKS.test(text)) leaks += 1
  }
  const asked = performance.now()
  await (await api.request('/api/health')).text()
  idle += performance.now() - asked
  if (round % 100 === 99) {
    const failed = [...statuses].filter(([status]) => status >= 500)
    const failures5xx = failed.reduce((sum, [, count]) => sum + count, 0)
    process.stderr.write(`${(round + 1) * BATCH} asked, ${failures5xx} failed (5xx)\n`)
  }
}
const took = performance.now() - started
await changes.close()
await close()

line('what', 'result')
line('---', '---')
line('requests', rounds * BATCH)
line(
  'answers',
  [...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, count]) => `${status}: ${count}`)
    .join(', '),
)
line(
  'failures (5xx)',
  [...statuses].filter(([status]) => status >= 500).reduce((sum, [, count]) => sum + count, 0),
)
line(
  'a request, mean ms; /health',
  `${(took / (rounds * BATCH)).toFixed(2)}; ${(idle / rounds).toFixed(2)}`,
)
line(
  'slowest ms; over 200 ms',
  `${slowest.toFixed(0)}; ${slow.length}, at the median ${quantile(slow, 0.5).toFixed(0)}`,
)
line('told what should not be', leaks)
line('heap after 20,000 and at the end, MB', `${heapBefore.toFixed(0)}; ${heap().toFixed(0)}`)
for (const cause of failures.slice(0, 5)) process.stdout.write(`${String(cause)}\n`)
process.exit(failures.length === 0 && leaks === 0 && slowest < 2000 ? 0 : 1)
