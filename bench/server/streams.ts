import { performance } from 'node:perf_hooks'
import { createApi } from '../../server/src/http/api'
import { listen } from '../../server/src/store/data-source'
import { benchShop, line, quantile, readBack } from '../support/shop'

// How long the list, a set-up and one more fact take through the API, beside the bare SQL for the same rows in the same run,
// as the shop has more set-ups and the set-ups more facts.
// Run: node scripts/with-database.mjs npx tsx bench/server/streams.ts

const SETUPS = [20, 200, 2000]
const FACTS = [30, 300, 2000]
const TIMES = 200

const url = process.env['DATABASE_URL'] ?? ''
const { owner, store, shop, clock, cookie, member, example, setUp, copies, close } =
  await benchShop(url)
const changes = listen(url)
const api = createApi({
  store,
  clock,
  changes,
  onUnexpected: (cause) => {
    throw cause
  },
})

async function p99(work: (time: number) => Promise<unknown>): Promise<number> {
  for (let warm = 0; warm < 20; warm += 1) await work(-1 - warm)
  const taken: number[] = []
  for (let time = 0; time < TIMES; time += 1) {
    const started = performance.now()
    await work(time)
    taken.push(performance.now() - started)
  }
  return quantile(taken, 0.99)
}

async function ask(method: string, path: string, body?: object): Promise<void> {
  const answer = await api.request(`/api${path}`, {
    method,
    headers: { Cookie: cookie, 'Content-Type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  await answer.arrayBuffer()
}

const both = (ours: number, bare: number) =>
  `${ours.toFixed(1)} / ${bare.toFixed(1)} = ${(ours / bare).toFixed(1)}`
let there = 0

async function measure(id: string, setupsThere: number, facts: number): Promise<void> {
  const list = await p99(() => ask('GET', '/setups'))
  const bareList = await p99(() =>
    owner.query(
      'SELECT summary FROM summary WHERE shop_id = $1 AND NOT is_away ORDER BY created_at DESC LIMIT 50',
      [shop],
    ),
  )
  const open = await p99(() => ask('GET', `/setups/${id}`))
  const bareOpen = await p99(() =>
    owner.query(
      'SELECT id, kind, body, via, recorded_at, person_id FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place',
      [shop, id],
    ),
  )
  const append = await p99(() => ask('POST', `/streams/setup/${id}/facts`, readBack()))
  const bareAppend = await p99((time) =>
    owner.transaction(async (manager) => {
      await manager.query('SELECT 1 FROM stream WHERE shop_id = $1 AND id = $2 FOR UPDATE', [
        shop,
        bare,
      ])
      await manager.query(
        `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
         SELECT $1, $2, $3::int, gen_random_uuid(), 'read-back', '{}', 'typed', $4, now()`,
        [shop, bare, 1_000_000 + there * 10_000 + time, member.id],
      )
      await manager.query(
        'UPDATE summary SET summary = summary WHERE shop_id = $1 AND stream_id = $2',
        [shop, bare],
      )
    }),
  )
  there += 1
  line(setupsThere, facts, both(list, bareList), both(open, bareOpen), both(append, bareAppend))
}

/** What the bare statements are tried on. */
const bare = await setUp(example)
line('set-ups', 'facts', 'list, ms p99, ours / bare SQL', 'open', 'append')
line('---', '---', '---', '---', '---')
let count = 1
for (const setupsThere of SETUPS) {
  const id = await setUp(FACTS[0]!)
  count += 1
  await copies(id, setupsThere - count)
  count = setupsThere
  await owner.query('ANALYZE')
  await measure(id, setupsThere, FACTS[0]!)
}
for (const facts of FACTS.slice(1)) await measure(await setUp(facts), (count += 1), facts)
await changes.close()
await close()
