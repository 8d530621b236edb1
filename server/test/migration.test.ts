import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Client } from 'pg'
import type { DataSource } from 'typeorm'
import { foldSetup, isReleased } from '@pine/core/facts'
import { stepsOf } from '@pine/core/plan'
import { solve } from '@pine/core/solve'
import { contentHash } from '../src/use-cases/canonical'
import { setupsOf } from '../src/use-cases/setups/setups'
import { fillSummaries } from '../src/use-cases/setups/summaries'
import { gaugesOf, machinesOf } from '../src/use-cases/shop'
import { openDatabase, type Database } from '../src/store/data-source'
import { typeormStore } from '../src/store/typeorm-store'
import type { Store } from '../src/store/store'

// The demonstration as the version before streams kept it, dumped, with what that version worked out of it; two set-ups
// have a gauge that failed its check and a home that was lost.
const fixture = (name: string) => readFileSync(join(__dirname, 'fixtures', name), 'utf8')

interface Expected {
  readonly id: string
  readonly facts: number
  readonly records: readonly { readonly id: string; readonly hash: string }[]
  readonly registers: readonly object[]
  readonly open: readonly string[]
}

const expected: readonly Expected[] = JSON.parse(fixture('version-1.expected.json'))
const now = () => new Date('2026-11-26T12:00:00Z')

let admin: Client
let opened: Database
let database: DataSource
let store: Store
const name = `pine_test_${randomUUID().replace(/-/g, '')}`

beforeAll(async () => {
  const url = process.env['DATABASE_URL'] ?? ''
  admin = new Client({ connectionString: url })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  const own = Object.assign(new URL(url), { pathname: `/${name}` }).href
  const client = new Client({ connectionString: own })
  await client.connect()
  await client.query(fixture('version-1.sql'))
  await client.end()
  opened = await openDatabase(own)
  const first = await opened.firstShop()
  database = await opened.ofShop(first)
  store = typeormStore(database, first)
})
afterAll(async () => {
  await opened.destroy()
  await admin.query(`DROP DATABASE ${name}`)
  await admin.end()
})

test('every set-up opens with the same numbers, the same stale marks, the same steps', async () => {
  const setups = setupsOf(store, now)
  for (const { id, facts, registers, open } of expected) {
    const answer = await setups.open(id)
    if (!answer.ok) throw new Error(answer.refusal.code)
    const document = foldSetup(answer.value.file)
    const solution = solve(document, { now: now().toISOString() })
    expect(document.length).toBe(facts)
    expect(
      solution.registers.map(({ address, value, state, stale }) => ({
        address,
        value: value ?? null,
        state,
        stale: stale === undefined ? null : stale.by === 'event' ? stale.event.id : 'age',
      })),
    ).toEqual(registers)
    expect(
      stepsOf(document, solution, isReleased(document))
        .filter(({ done }) => !done)
        .map(({ step }) => step.key),
    ).toEqual(open)
  }
})

test('a record shows what it froze, and its hash fits what is kept', async () => {
  const setups = setupsOf(store, now)
  const records = expected.flatMap(({ id, records: of }) =>
    of.map((one) => ({ setup: id, ...one })),
  )
  expect(records.length).toBeGreaterThan(0)
  for (const { setup, id, hash } of records) {
    const answer = await setups.record(setup, id)
    if (!answer.ok) throw new Error(answer.refusal.code)
    expect(answer.value).toMatchObject({ hash, readings: expect.any(Number) })
    expect(answer.value.solution.registers.length).toBeGreaterThan(3)
    expect(contentHash(await store.frozen(id))).toBe(hash)
  }
})

test('machines, gauges, people and texts are there', async () => {
  expect((await machinesOf(store)).map(({ machine }) => machine.name)).toHaveLength(3)
  expect((await gaugesOf(store)).length).toBeGreaterThan(5)
  expect((await store.people()).length).toBeGreaterThan(2)
  const [{ count }] = await database.query(
    'SELECT count(*)::int FROM program_text WHERE shop_id IS NOT NULL',
  )
  expect(count).toBeGreaterThan(0)
})

const everything = { away: false, words: [], most: 1000 }

test('the list is empty until it is built from the facts, once', async () => {
  expect(JSON.parse((await store.listed(everything, '2026-01-01')).json)).toEqual([])
  await fillSummaries(store, now)
  const list: readonly { id: string; stepsTotal: number }[] = JSON.parse(
    (await store.listed(everything, '2026-01-01')).json,
  )
  expect(list.map(({ id }) => id).sort()).toEqual(expected.map(({ id }) => id).sort())
  expect(await store.withoutSummary()).toEqual([])
  for (const { id, open } of expected)
    expect(list.find((one) => one.id === id)?.stepsTotal).toBeGreaterThan(open.length)
})

test('three processes that begin at once on one empty database all come up, with one shop', async () => {
  const empty = `pine_test_${randomUUID().replace(/-/g, '')}`
  await admin.query(`CREATE DATABASE ${empty}`)
  const url = Object.assign(new URL(process.env['DATABASE_URL'] ?? ''), {
    pathname: `/${empty}`,
  }).href
  const opened = await Promise.all([openDatabase(url), openDatabase(url), openDatabase(url)])
  const shops = await Promise.all(opened.map((one) => one.firstShop()))
  expect(new Set(shops).size).toBe(1)
  await Promise.all(opened.map((source) => source.destroy()))
  await admin.query(`DROP DATABASE ${empty}`)
}, 60_000)
