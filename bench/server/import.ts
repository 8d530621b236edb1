import { importList, previewImport } from '../../server/src/use-cases/import-list'
import { benchShop } from '../support/shop'

// A tool list of 50,000 rows, 300 of them faulty: looked at, then entered, beside one INSERT that writes as many facts of the same
// length into the same table by itself, in the same run.
// Run: node scripts/with-database.mjs npx tsx --expose-gc bench/server/import.ts

const [ROWS, FAULTY] = [50_000, 300]
const { owner, store, shop, clock, member, close } = await benchShop(
  process.env['DATABASE_URL'] ?? '',
)

const rows = Array.from({ length: ROWS }, (_, index) => {
  const diameter = index % Math.floor(ROWS / FAULTY) === 7 ? 'eight' : `${(index % 200) / 10 + 1}`
  return `Mill ${index};Chuck ${index % 40};${diameter};75.50;4`
})
const bytes = new TextEncoder().encode(['Tool;Holder;Dia [mm];OAL;Flutes', ...rows].join('\r\n'))
const request = { person: member, list: 'tools', bytes, query: { name: 'tools.csv' } } as const

async function seconds<T>(work: () => Promise<T>): Promise<readonly [number, T]> {
  const started = performance.now()
  const done = await work()
  return [(performance.now() - started) / 1000, done]
}

const [looked, seen] = await seconds(() => previewImport(store, request))
if (!seen.ok) throw new Error('the list was refused')
const [entered, written] = await seconds(() => importList(store, clock, request))
if (!written.ok) throw new Error('the list was refused')
const [again] = await seconds(() => importList(store, clock, request))
const body = JSON.stringify({ name: 'x'.repeat(280) })
const [plain] = await seconds(async () => {
  await owner.query(
    `WITH begun AS (
       INSERT INTO stream (shop_id, id, kind, created_by, created_at)
       SELECT $1, gen_random_uuid(), 'tool', $2, now() FROM generate_series(1, $4::int) RETURNING id
     )
     INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
     SELECT $1, id, 0, gen_random_uuid(), 'tool', $3::jsonb, 'imported', $2, now() FROM begun`,
    [shop, member.id, body, written.value.written],
  )
})
process.stdout.write(
  `${ROWS} rows, ${(bytes.length / 1e6).toFixed(1)} MB: looked at in ${looked.toFixed(1)} s (${seen.value.faulty} faulty), ` +
    `${written.value.written} entered in ${entered.toFixed(1)} s, a second time in ${again.toFixed(1)} s; ` +
    `one INSERT of as many ${plain.toFixed(1)} s\n`,
)
await close()
