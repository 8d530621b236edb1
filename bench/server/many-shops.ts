import { performance } from 'node:perf_hooks'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { createApi } from '../../server/src/http/api'
import { hostsOf } from '../../server/src/http/door/hosts'
import { apiOfHosts } from '../../server/src/http/door/shops'
import { createSite } from '../../server/src/http/door/site'
import { listen, openDatabase } from '../../server/src/store/data-source'
import { typeormStore } from '../../server/src/store/typeorm-store'
import { addShop } from '../../server/src/store/new-shop'
import { hashToken } from '../../server/src/use-cases/people/sign-in'
import { SetupCache } from '../../server/src/use-cases/facts/set-up-streams'
import { benchShop, line, quantile, readBack } from '../support/shop'

// Two hundred shops in one database, 5,000 facts each: what one shop waits for while it is alone, and while all of them are there
// and ask in turn. Beside it the bare SQL of the same rows on the same connections, in the same run.
// Run: node scripts/with-database.mjs npx tsx bench/server/many-shops.ts

const SHOPS = 200
const SETUPS = 50
const FACTS = 100
const TIMES = 600

const url = process.env['DATABASE_URL'] ?? ''
const template = await benchShop(url)
const first = await template.setUp(FACTS)
const database = await openDatabase(url)
const owner = await new DataSource({ type: 'postgres', url }).initialize()
const changes = listen(url)
const clock = () => new Date()
const atHand = new SetupCache()
const site = createSite(
  apiOfHosts(database, { own: hostsOf([]), first: template.shop }, (store) =>
    createApi({
      ...{ store, changes, clock, atHand },
      onUnexpected: (cause) => {
        throw cause
      },
    }),
  ),
  '/tmp',
)

interface Shop {
  readonly host: string
  readonly id: string
  readonly cookie: string
  readonly setups: readonly string[]
}

/** A shop whose set-ups are copies of one of the template's. */
async function shopOf(number: number): Promise<Shop> {
  const host = `shop-${number}.example`
  const id = await addShop(owner, { name: `Shop ${number}`, host }, clock())
  const store = typeormStore(await database.ofShop(id), id)
  const [person, token] = [uuid(), uuid()]
  const at = clock()
  await store.addPerson({ id: person, name: 'Mira', role: 'lead', pinHash: 'x', pinDigits: 6 }, at)
  await store.openSession({
    tokenHash: hashToken(token),
    personId: person,
    deviceHash: token,
    at,
    expiresAt: new Date(at.getTime() + 14 * 3_600_000),
  })
  const rows: readonly { id: string }[] = await owner.query(
    `WITH new AS (SELECT gen_random_uuid() AS id FROM generate_series(1, $3::int)),
     streams AS (
       INSERT INTO stream (shop_id, id, kind, created_by, created_at) SELECT $2, new.id, 'setup', $4, now() FROM new
     ), facts AS (
       INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
       SELECT $2, new.id, place, gen_random_uuid(), kind, body, via, $4, recorded_at FROM new, fact WHERE stream_id = $1
     ), summaries AS (
       INSERT INTO summary (shop_id, stream_id, summary, created_at)
       SELECT $2, new.id, jsonb_set(summary, '{id}', to_jsonb(new.id)), now() FROM new, summary WHERE stream_id = $1
     ) SELECT id FROM new`,
    [first, id, SETUPS, person],
  )
  return { host, id, cookie: `pine_session=${token}`, setups: rows.map(({ id: setup }) => setup) }
}

async function ask({ host, cookie }: Shop, method: string, path: string, body?: object) {
  const answer = await site.request(`http://${host}/api${path}`, {
    method,
    headers: { Cookie: cookie, 'Content-Type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  await answer.arrayBuffer()
}

const setupOf = ({ setups }: Shop, time: number) => setups[time % 5] ?? ''
const WORK = {
  list: (shop: Shop) => ask(shop, 'GET', '/setups'),
  open: (shop: Shop, time: number) => ask(shop, 'GET', `/setups/${setupOf(shop, time)}`),
  append: (shop: Shop, time: number) =>
    ask(shop, 'POST', `/streams/setup/${setupOf(shop, time)}/facts`, readBack()),
  'bare: facts of one': async ({ id }: Shop, time: number, shop: Shop) => {
    const source = await database.ofShop(id)
    await source.query(
      'SELECT id, kind, body, via, recorded_at, person_id FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place',
      [id, setupOf(shop, time)],
    )
  },
} as const

/** What each kind of work takes, the shops in turn: one, or all of them. In milliseconds. */
async function measure(shops: readonly Shop[]): Promise<Record<string, readonly number[]>> {
  const taken: Record<string, number[]> = {}
  for (const [what, work] of Object.entries(WORK)) {
    for (let time = -shops.length; time < TIMES; time += 1) {
      const shop = shops[(time + shops.length) % shops.length]!
      const begun = performance.now()
      await work(shop, Math.max(time, 0), shop)
      // Each shop once before it counts: its part of the server is made when it is first asked for.
      if (time >= 0) (taken[what] ??= []).push(performance.now() - begun)
    }
  }
  return taken
}

const shops = [await shopOf(0)]
await owner.query('ANALYZE')
const alone = await measure(shops)
while (shops.length < SHOPS) shops.push(await shopOf(shops.length))
await owner.query('ANALYZE')
const [{ facts }]: readonly [{ facts: number }] = await owner.query(
  'SELECT count(*)::int AS facts FROM fact',
)
const same = await measure(shops.slice(0, 1))
const all = await measure(shops)

process.stdout.write(`${SHOPS} shops, ${facts} facts\n\n`)
line('ms: median, 99th of 100', 'one shop alone', 'the same one among all', 'all in turn')
line('---', '---', '---', '---')
for (const what of Object.keys(WORK)) {
  const both = (of: Record<string, readonly number[]>) =>
    `${quantile(of[what]!, 0.5).toFixed(1)}, ${quantile(of[what]!, 0.99).toFixed(1)}`
  line(what, both(alone), both(same), both(all))
}
const { rss } = process.memoryUsage()
process.stdout.write(`\nmemory of the process: ${(rss / 1e6).toFixed(0)} MB\n`)
await changes.close()
await owner.destroy()
await database.destroy()
await template.close()
process.exit()
