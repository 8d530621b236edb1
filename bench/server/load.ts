import { performance } from 'node:perf_hooks'
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { benchShop, line, quantile, readBack } from '../support/shop'

// Fifty people at once on a shop of 2,000 set-ups and 230,000 facts, against the real server over HTTP: one in ten looks at
// the list, the others open a set-up or enter a fact, as fast as they are answered, for a minute. Beside it the bare SQL of
// the same rows by as many at once, in the same run.
// Run: node scripts/with-database.mjs npx tsx bench/server/load.ts

const SETUPS = 2000
const FACTS = 115
const PEOPLE = 50
const SECONDS = Number(process.env['SECONDS'] ?? 60)

const url = process.env['DATABASE_URL'] ?? ''
const { owner, shop, person, setUp, copies, close } = await benchShop(url)
const first = await setUp(FACTS)
await copies(first, SETUPS - 1)
const ids: string[] = (await owner.query('SELECT id FROM stream')).map(
  ({ id }: { id: string }) => id,
)
const [{ facts }] = await owner.query('SELECT count(*)::int AS facts FROM fact')

const server = spawn(
  process.execPath,
  [
    '--import',
    `file://${new URL('../../node_modules/tsx/dist/loader.mjs', import.meta.url).pathname}`,
    new URL('../../server/src/main.ts', import.meta.url).pathname,
  ],
  { env: { ...process.env, PORT: '0', PINE_CLIENT: '/tmp' }, stdio: ['ignore', 'pipe', 'inherit'] },
)
const address = await new Promise<string>((resolve) =>
  server.stdout.on('data', (chunk) => {
    const found = /listening (\S+)/.exec(String(chunk))?.[1]
    if (found) resolve(found)
  }),
)
const memoryMb = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1024

type What = 'list' | 'open' | 'append' | 'append elsewhere'
/**
 * One in ten looks at the list; of the others two open for each that enters: mostly into the set-up that one is at, now and then into
 * one that nobody has been at lately.
 */
const whatOf = (who: number, time: number): What =>
  who % 10 === 0
    ? 'list'
    : (who + time) % 3 !== 0
      ? 'open'
      : (who + time) % 5 === 0
        ? 'append elsewhere'
        : 'append'
const isAppend = (what: What) => what === 'append' || what === 'append elsewhere'
const setUpOf = (what: What, who: number, time: number) =>
  ids[what === 'append' ? who : (who * 37 + time * 11) % ids.length] ?? ''

/** All at once until the time is over; what each kind of request took, in milliseconds. */
async function all(
  work: (what: What, who: number, time: number) => Promise<void>,
): Promise<Readonly<Record<What, readonly number[]>>> {
  const taken: Record<What, number[]> = {
    list: [],
    open: [],
    append: [],
    'append elsewhere': [],
  }
  const until = performance.now() + SECONDS * 1000
  await Promise.all(
    Array.from({ length: PEOPLE }, async (_, who) => {
      for (let time = 0; performance.now() < until; time += 1) {
        const what = whatOf(who, time)
        const started = performance.now()
        await work(what, who, time)
        taken[what].push(performance.now() - started)
      }
    }),
  )
  return taken
}

const cookies = await Promise.all(
  Array.from({ length: PEOPLE }, async (_, who) => (await person(`Person ${who}`)).cookie),
)
// A database that has run for a while knows how many people there are, too.
await owner.query('ANALYZE')
const failures: string[] = []
let listBytes = 0
let most = memoryMb()
const atRest = most
const watch = setInterval(() => (most = Math.max(most, memoryMb())), 250)
const ours = await all(async (what, who, time) => {
  const path =
    what === 'list' ? '' : `/${setUpOf(what, who, time)}${isAppend(what) ? '/facts' : ''}`
  const answer = await fetch(`${address}/api/setups${path}`, {
    method: isAppend(what) ? 'POST' : 'GET',
    headers: { Cookie: cookies[who] ?? '', 'Content-Type': 'application/json' },
    ...(isAppend(what) && { body: JSON.stringify(readBack()) }),
  })
  const text = await answer.text()
  if (what === 'list') listBytes = text.length
  if (!answer.ok) failures.push(`${what}: ${answer.status} ${text.slice(0, 120)}`)
})
clearInterval(watch)

const bare = await all(async (what, who, time) => {
  if (what === 'list')
    await owner.query(
      `SELECT summary FROM summary
       WHERE shop_id = $1 AND NOT is_away ORDER BY created_at DESC LIMIT 50`,
      [shop],
    )
  else if (what === 'open')
    await owner.query(
      'SELECT id, kind, body, via, recorded_at, person_id FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place',
      [shop, setUpOf(what, who, time)],
    )
  else
    await owner.transaction(async (manager) => {
      const id = setUpOf(what, who, time)
      await manager.query('SELECT 1 FROM stream WHERE shop_id = $1 AND id = $2 FOR UPDATE', [
        shop,
        id,
      ])
      await manager.query(
        `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
         SELECT $1, $2, max(place) + 1, gen_random_uuid(), 'read-back', '{}', 'typed', min(person_id::text)::uuid, now()
         FROM fact WHERE shop_id = $1 AND stream_id = $2`,
        [shop, id],
      )
    })
})

process.stdout.write(
  `${SETUPS} set-ups, ${facts} facts, ${PEOPLE} people at once for ${SECONDS} s each way\n\n`,
)
line('request', 'answered', 'p50 ms, ours / bare', 'p99 ms, ours / bare', 'slowest ms')
line('---', '---', '---', '---', '---')
for (const what of ['list', 'open', 'append', 'append elsewhere'] as const) {
  const at = (share: number) => {
    const [one, other] = [quantile(ours[what], share), quantile(bare[what], share)]
    return `${one.toFixed(0)} / ${other.toFixed(0)} = ${(one / other).toFixed(1)}`
  }
  line(what, ours[what].length, at(0.5), at(0.99), Math.max(...ours[what]).toFixed(0))
}
process.stdout.write(
  `\nfailures ${failures.length}; memory of the server ${atRest.toFixed(0)} MB at rest, at most ${most.toFixed(0)} MB\n${[...new Set(failures)].slice(0, 5).join('\n')}\n`,
)

// What a fact takes on the disk, with its indexes and its share of everything beside it.
const [size]: readonly { facts: string; fact: string; summary: string; whole: string }[] =
  await owner.query(`SELECT count(*) AS facts, pg_total_relation_size('fact') AS fact,
    pg_total_relation_size('summary') AS summary, pg_database_size(current_database()) AS whole FROM fact`)
const perFact = (bytes: string) => (Number(bytes) / Number(size!.facts)).toFixed(0)
process.stdout.write(
  `bytes a fact: ${perFact(size!.fact)} in its table, ${perFact(size!.whole)} of the whole database; ` +
    `a summary ${(Number(size!.summary) / SETUPS).toFixed(0)}; the list as JSON ${listBytes} bytes\n`,
)
server.kill('SIGTERM')
await close()
