import { performance } from 'node:perf_hooks'
import { readFileSync } from 'node:fs'
import { parseSetupText, type NewFact } from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { openDatabase } from '../server/src/store/data-source'
import { firstShop, typeormStore } from '../server/src/store/typeorm-store'
import { createApi } from '../server/src/http/api'
import { setupsOf } from '../server/src/use-cases/setups'

// How long the list, a set-up and one more fact take through the API, beside the bare SQL for the same rows in the same run,
// as the shop has more set-ups and the set-ups more facts.
// Run: node scripts/with-database.mjs npx tsx bench/streams.ts

const SETUPS = [20, 200, 2000]
const FACTS = [30, 300, 2000]
const TIMES = 200

const database = await openDatabase(process.env['DATABASE_URL'] ?? '')
const shop = await firstShop(database)
const store = typeormStore(database, shop)
const clock = () => new Date('2026-03-02T08:00:00Z')
const person = { id: uuid(), name: 'Mira Toller' }
await store.addPerson({ ...person, pinHash: 'x' }, clock())

const parsed = parseSetupText(
  readFileSync(new URL('../docs/examples/gauge-line.json', import.meta.url), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const [sheet, ...rest] = parsed.file.facts
if (sheet?.kind !== 'sheet') throw new Error('the example has no sheet')
const setups = setupsOf(store, clock)

/** A set-up of so many facts: the example, with its tool read back over and over. */
async function setUp(facts: number): Promise<string> {
  const id = uuid()
  await setups.create(person, { id, sheetFactId: uuid(), sheet: sheet!.body as never })
  for (const { kind, body } of rest)
    await setups.add(person, id, { id: uuid(), kind, body } as NewFact)
  await database.query(
    `INSERT INTO fact
     SELECT $1, $2, place, gen_random_uuid(), 'read-back',
       '{"address": "H1", "moment": "after", "shown": {"text": "80.000", "unit": "mm"}}', 'typed', $3, now()
     FROM generate_series($4::int, $5::int - 1) place`,
    [shop, id, person.id, rest.length + 1, facts],
  )
  return id
}

/** Copies of a set-up with all its facts and its summary. */
const copies = (id: string, count: number) =>
  database.query(
    `WITH new AS (SELECT gen_random_uuid() AS id FROM generate_series(1, $3::int)),
     streams AS (
       INSERT INTO stream SELECT $1, new.id, 'setup', created_by, created_at
       FROM new, stream WHERE shop_id = $1 AND stream.id = $2 RETURNING id
     ),
     facts AS (
       INSERT INTO fact SELECT $1, new.id, place, gen_random_uuid(), kind, body, via, person_id, recorded_at
       FROM new, fact WHERE shop_id = $1 AND stream_id = $2
     )
     INSERT INTO summary SELECT $1, new.id, jsonb_set(summary, '{id}', to_jsonb(new.id)), created_at
     FROM new, summary WHERE shop_id = $1 AND stream_id = $2`,
    [shop, id, count],
  )

async function p99(work: (time: number) => Promise<unknown>): Promise<number> {
  for (let warm = 0; warm < 20; warm += 1) await work(-1 - warm)
  const taken: number[] = []
  for (let time = 0; time < TIMES; time += 1) {
    const started = performance.now()
    await work(time)
    taken.push(performance.now() - started)
  }
  taken.sort((a, b) => a - b)
  return taken[Math.floor(TIMES * 0.99)] ?? NaN
}

const session = { tokenHash: '', cookie: '' }
const { hashToken } = await import('../server/src/use-cases/people')
session.cookie = 'bench'
await store.openSession(
  hashToken(session.cookie),
  person.id,
  clock(),
  new Date('2030-01-01T00:00:00Z'),
)
const api = createApi({
  store,
  clock,
  onUnexpected: (cause) => {
    throw cause
  },
})
async function ask(method: string, path: string, body?: object): Promise<void> {
  const answer = await api.request(`/api${path}`, {
    method,
    headers: { Cookie: `pine_session=${session.cookie}`, 'Content-Type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  await answer.arrayBuffer()
}

const line = (...cells: readonly (string | number)[]) =>
  process.stdout.write(`| ${cells.join(' | ')} |\n`)
const both = (ours: number, bare: number) =>
  `${ours.toFixed(1)} / ${bare.toFixed(1)} = ${(ours / bare).toFixed(1)}`
let there = 0
const readBack = (): NewFact => ({
  id: uuid(),
  kind: 'read-back',
  body: { address: 'H1', moment: 'after', shown: { text: '80.000', unit: 'mm' } },
})

async function measure(id: string, setupsThere: number, facts: number): Promise<void> {
  const list = await p99(() => ask('GET', '/setups'))
  const bareList = await p99(() =>
    database.query('SELECT summary FROM summary WHERE shop_id = $1 ORDER BY created_at DESC', [
      shop,
    ]),
  )
  const open = await p99(() => ask('GET', `/setups/${id}`))
  const bareOpen = await p99(() =>
    database.query(
      'SELECT id, kind, body, via, recorded_at, person_id FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place',
      [shop, id],
    ),
  )
  const append = await p99(() => ask('POST', `/setups/${id}/facts`, readBack()))
  const bareAppend = await p99((time) =>
    database.transaction(async (manager) => {
      await manager.query('SELECT 1 FROM stream WHERE shop_id = $1 AND id = $2 FOR UPDATE', [
        shop,
        bare,
      ])
      await manager.query(
        `INSERT INTO fact SELECT $1, $2, $3::int, gen_random_uuid(), 'read-back', '{}', 'typed', $4, now()`,
        [shop, bare, 1_000_000 + there * 10_000 + time, person.id],
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
const bare = await setUp(rest.length + 1)
line('set-ups', 'facts', 'list, ms p99, ours / bare SQL', 'open', 'append')
line('---', '---', '---', '---', '---')
let count = 1
for (const setupsThere of SETUPS) {
  const id = await setUp(FACTS[0]!)
  count += 1
  await copies(id, setupsThere - count)
  count = setupsThere
  await database.query('ANALYZE')
  await measure(id, setupsThere, FACTS[0]!)
}
for (const facts of FACTS.slice(1)) await measure(await setUp(facts), (count += 1), facts)
await database.destroy()
