import { performance } from 'node:perf_hooks'
import { v7 as uuid } from 'uuid'
import { gaugeStandings } from '../../server/src/use-cases/gauge-checks'
import { setupsOf } from '../../server/src/use-cases/setups/setups'
import { streamsOf } from '../../server/src/use-cases/facts/stream-facts'
import { toolHistory, toolPage } from '../../server/src/use-cases/tools'
import { benchShop, line, quantile } from '../support/shop'

// What a shop of many years asks all day: a page of its tools, one tool, its gauges, a word that is looked for. Each beside one
// statement that brings the same rows, in the same run, with how many statements it makes and how it grows with the shop.
// Run: node scripts/with-database.mjs npx tsx bench/server/shop-lists.ts

const SIZES = [500, 2000, 8000]
const GAUGES = 500
const CHECKED = 100
const CHECKS = 20
/** Set-ups that each tool was touched in. */
const USES = 20
const READINGS = 200_000
const TIMES = 60

const { database, owner, store, shop, clock, member, setUp, copies, close } = await benchShop(
  process.env['DATABASE_URL'] ?? '',
)
const mm = (text: string) => ({ text, unit: 'mm' as const })
const machine = { id: uuid(), machine: mill() }
const streams = streamsOf({ store, clock, setups: setupsOf(store, clock) })
await streams.append(
  member,
  { kind: 'machine', id: machine.id },
  { id: uuid(), kind: 'machine', body: machine.machine },
)
for (let index = 0; index < GAUGES; index += 1) {
  const id = uuid()
  const gauge = { id, kind: 'gauge-block' as const, name: `Block ${index}`, size: mm('25') }
  const watch = index < CHECKED ? { watch: { limit: mm('0.002') } } : {}
  await streams.append(
    member,
    { kind: 'gauge', id },
    { id: uuid(), kind: 'gauge', body: { ...gauge, ...watch } },
  )
  if (index < CHECKED)
    await owner.query(
      `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
       SELECT $1, $2, place, gen_random_uuid(), 'gauge-check', $3, 'typed', $4, now() - make_interval(days => 30 * ($5 - place))
       FROM generate_series(1, $5::int) place`,
      [shop, id, { read: mm('25.0003'), against: 'master', master: mm('25') }, member.id, CHECKS],
    )
}
const first = await setUp(Math.ceil(READINGS / 2000))
await copies(first, 1999)

/** So many tools in all, each measured in so many set-ups. */
async function grow(tools: number): Promise<void> {
  const [{ had }] = await owner.query('SELECT count(*)::int AS had FROM tool_now')
  await owner.query(
    `WITH new AS (
       SELECT gen_random_uuid() AS id, number, CASE number % 3 WHEN 0 THEN 'end mill' WHEN 1 THEN 'drill' ELSE 'reamer' END AS what
       FROM generate_series($4::int, $5::int - 1) number
     ), streams AS (INSERT INTO stream SELECT $1, id, 'tool', $3, now() FROM new)
     INSERT INTO tool_now SELECT $1, id, number || ' mm ' || what, $2::uuid, number % 40, false,
       jsonb_build_object('name', number || ' mm ' || what, 'place', jsonb_build_object('machine', $2::uuid, 'pocket', number % 40 + 1)), now()
     FROM new`,
    [shop, machine.id, member.id, had, tools],
  )
  const touch = {
    of: 'tip-on-plane',
    tool: 1,
    read: mm('-300'),
    with: ['setter'],
    kept: {
      setup: first,
      reading: uuid(),
      name: 'A job',
      by: 'Mira Toller',
      at: clock().toISOString(),
    },
  }
  const use = {
    ...{
      setup: first,
      name: 'A job',
      machine: machine.id,
      number: 1,
      plane: 'table',
      touches: [touch],
    },
    gauges: [{ id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50') }],
    at: clock().toISOString(),
    length: mm('80.000'),
    lengthWithinMm: 0.01,
  }
  await owner.query(
    `INSERT INTO tool_use
     SELECT $1, tool_id, setup.id, now() - make_interval(days => setup.rank::int), $2
     FROM tool_now CROSS JOIN LATERAL (
       SELECT id, row_number() OVER () AS rank FROM stream WHERE kind = 'setup' LIMIT $3
     ) setup
     ON CONFLICT DO NOTHING`,
    [shop, use, USES],
  )
  await owner.query('ANALYZE')
}

let statements = 0
const ask = database.query.bind(database)
database.query = ((...said: Parameters<typeof ask>) => {
  statements += 1
  return ask(...said)
}) as typeof database.query

async function timed(work: () => Promise<unknown>): Promise<readonly number[]> {
  const taken: number[] = []
  for (let time = 0; time < TIMES; time += 1) {
    const started = performance.now()
    await work()
    taken.push(performance.now() - started)
  }
  return taken
}

async function row(what: string, ours: () => Promise<unknown>, bare: () => Promise<unknown>) {
  await ours()
  statements = 0
  await ours()
  const asked = statements
  const [one, other] = [await timed(ours), await timed(bare)]
  const at = (share: number) =>
    `${quantile(one, share).toFixed(1)} / ${quantile(other, share).toFixed(1)} = ${(quantile(one, share) / quantile(other, share)).toFixed(1)}`
  line(what, asked, at(0.5), at(0.95))
}

const [{ readings }] = await owner.query('SELECT count(*)::int AS readings FROM fact')
process.stdout.write(
  `${GAUGES} gauges, ${CHECKED} of them with ${CHECKS} checks, ${readings} facts, each tool in ${USES} set-ups\n\n`,
)
line('request', 'statements', 'p50 ms, ours / bare', 'p95 ms, ours / bare')
line('---', '---', '---', '---')
// A page says how many there are of all pages: so does the bare one.
const PAGE = `SELECT tool_id, declared, youngest.use,
    (SELECT count(*) FROM tool_now WHERE shop_id = $1 AND NOT retired AND lower(name) LIKE $2) AS total
  FROM (SELECT * FROM tool_now WHERE shop_id = $1 AND NOT retired AND lower(name) LIKE $2
        ORDER BY lower(name) COLLATE by_number, tool_id LIMIT 50 OFFSET $3) page
  LEFT JOIN LATERAL (
    SELECT use FROM tool_use WHERE tool_use.shop_id = $1 AND tool_use.tool_id = page.tool_id ORDER BY at DESC LIMIT 5
  ) youngest ON true`
for (const size of SIZES) {
  await grow(size)
  const [{ tool_id: tool }] = await owner.query('SELECT tool_id FROM tool_now LIMIT 1')
  const middle = Math.floor(size / 2)
  await row(
    `${size} tools: the first page`,
    () => toolPage(store, clock, {}),
    () => owner.query(PAGE, [shop, '%', 0]),
  )
  await row(
    `${size} tools: a page in the middle`,
    () => toolPage(store, clock, { from: middle }),
    () => owner.query(PAGE, [shop, '%', middle]),
  )
  await row(
    `${size} tools: those with a word`,
    () => toolPage(store, clock, { find: 'reamer' }),
    () => owner.query(PAGE, [shop, '%reamer%', 0]),
  )
  await row(
    `${size} tools: one with its ${USES} set-ups`,
    () => toolHistory(store, clock, tool),
    () =>
      Promise.all([
        owner.query('SELECT declared FROM tool_now WHERE shop_id = $1 AND tool_id = $2', [
          shop,
          tool,
        ]),
        owner.query(
          'SELECT use FROM tool_use WHERE shop_id = $1 AND tool_id = $2 ORDER BY at DESC LIMIT 100',
          [shop, tool],
        ),
        owner.query(
          `SELECT body FROM fact WHERE shop_id = $1 AND kind = 'tool-event' AND stream_id = $2`,
          [shop, tool],
        ),
        owner.query(
          'SELECT body FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place DESC LIMIT 1',
          [shop, machine.id],
        ),
        // What happened to its machine since it was touched: planes that moved and homes that were lost, in set-ups and outside.
        owner.query(
          `SELECT stream_id, body FROM fact WHERE shop_id = $1 AND recorded_at > now() - interval '30 days'
             AND (kind = 'event' AND body ->> 'kind' IN ('plane-moved', 'home-lost') OR kind = 'machine-event')`,
          [shop],
        ),
      ]),
  )
  await row(
    `${size} tools: everything with a word`,
    () => store.search(['7']),
    () =>
      owner.query(
        `SELECT name FROM tool_now WHERE shop_id = $1 AND lower(name) LIKE '%7%' UNION ALL
         SELECT summary ->> 'name' FROM summary WHERE shop_id = $1 AND lower(summary ->> 'name') LIKE '%7%' UNION ALL
         SELECT body ->> 'name' FROM fact WHERE shop_id = $1 AND kind = 'gauge' AND lower(body ->> 'name') LIKE '%7%'`,
        [shop],
      ),
  )
}
await row(
  `${GAUGES} gauges: how each that is watched stands`,
  () => gaugeStandings(store, clock),
  () =>
    owner.query(
      `SELECT stream_id, body FROM fact WHERE shop_id = $1 AND kind IN ('gauge', 'gauge-check') ORDER BY stream_id, place`,
      [shop],
    ),
)
await close()

function mill() {
  return {
    name: 'Mill 2',
    kind: 'mill' as const,
    control: {
      decimals: { mm: 3, in: 4 },
      lengthKey: 'set' as const,
      workOffsetKey: 'set' as const,
    },
  }
}
