import { performance } from 'node:perf_hooks'
import { logPage } from '../../server/src/use-cases/log'
import { benchShop, line, quantile } from '../support/shop'

// A page of the log of a shop with 200,000 facts: the first one, one from the middle, and narrowed to a person and to a register.
// Beside each the two bare statements that bring the same facts and the sheets that they are told by, in the same run.
// Run: node scripts/with-database.mjs npx tsx bench/server/log.ts

const FACTS = 200_000
const TIMES = 40

const { owner, store, shop, member, setUp, copies, close } = await benchShop(
  process.env['DATABASE_URL'] ?? '',
)
const first = await setUp(Math.ceil(FACTS / 2000))
await copies(first, 1999)
await owner.query('ANALYZE')

async function timed(work: () => Promise<unknown>): Promise<readonly number[]> {
  const taken: number[] = []
  for (let time = 0; time < TIMES; time += 1) {
    const started = performance.now()
    await work()
    taken.push(performance.now() - started)
  }
  return taken
}

const [middle] = await owner.query(
  'SELECT recorded_at, stream_id, place FROM fact WHERE shop_id = $1 ORDER BY recorded_at DESC, stream_id DESC, place DESC OFFSET $2 LIMIT 1',
  [shop, FACTS / 2],
)
const cursor = `${middle.recorded_at.toISOString()}_${middle.stream_id}_${middle.place}`
const bare = (condition: string, values: readonly unknown[]) => async () => {
  const facts: readonly { readonly stream_id: string }[] = await owner.query(
    `SELECT fact.*, person.name FROM fact JOIN person ON person.shop_id = fact.shop_id AND person.id = person_id
     WHERE fact.shop_id = $1 AND ${condition}
     ORDER BY recorded_at DESC, stream_id DESC, place DESC LIMIT 51`,
    [shop, ...values],
  )
  await owner.query(
    `SELECT asked.id, last.body FROM unnest($2::uuid[]) AS asked(id) CROSS JOIN LATERAL (
       SELECT body FROM fact WHERE shop_id = $1 AND stream_id = asked.id AND kind IN ('sheet', 'machine', 'gauge', 'tool')
       ORDER BY place DESC LIMIT 1
     ) last`,
    [shop, [...new Set(facts.map(({ stream_id }) => stream_id))]],
  )
}

const views = [
  ['the first page', () => logPage(store, {}), bare('true', [])],
  [
    'a page from the middle',
    () => logPage(store, { before: cursor }),
    bare('(recorded_at, stream_id, place) < ($2, $3, $4)', [
      middle.recorded_at,
      middle.stream_id,
      middle.place,
    ]),
  ],
  ['of a person', () => logPage(store, { person: member.id }), bare('person_id = $2', [member.id])],
  [
    'of a register',
    () => logPage(store, { register: 'G54.X' }),
    bare(`body ->> 'address' = $2`, ['G54.X']),
  ],
] as const
for (const [name, ours, sql] of views) {
  const [taken, beside] = [await timed(ours), await timed(sql)]
  const [our, its] = [quantile(taken, 0.5), quantile(beside, 0.5)]
  line(name, `${our.toFixed(1)} ms`, `its SQL ${its.toFixed(1)} ms`, (our / its).toFixed(1))
}
await close()
