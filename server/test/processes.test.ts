import { v7 as uuid } from 'uuid'
import type { NewFact } from '@pine/contract'
import { SESSION_MOMENT } from '../src/store/typeorm-people'
import { typeormStore } from '../src/store/typeorm-store'
import { SetupCache, SetupStreams } from '../src/use-cases/facts/set-up-streams'
import { setupsOf, type Setups } from '../src/use-cases/setups/setups'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// Several servers on one database decide of a fact each by what it knows, and hold no lock meanwhile.

let shop: Harness
let mira: { readonly id: string; readonly name: string; readonly role: 'lead' }

beforeAll(async () => {
  shop = await startHarness()
  mira = { id: await shop.signInAs('Mira Toller'), name: 'Mira Toller', role: 'lead' }
})
afterAll(() => shop.close())

const reading = (tool: number, text: string): NewFact => ({
  id: uuid(),
  kind: 'reading',
  body: { of: 'tip-on-plane', tool, read: mm(text), with: ['setter'] },
})

/** A server's use cases, with a memory of their own. */
const aServer = (): Setups => setupsOf(shop.store, () => new Date('2026-03-02T09:00:00Z'))

async function twoServers() {
  const [one, other] = [aServer(), aServer()]
  const id = uuid()
  const sheet = sheetOf(1)
  expect(await one.create(mira, { id, sheetFactId: uuid(), sheet })).toMatchObject({ ok: true })
  expect(await other.open(id)).toMatchObject({ ok: true })
  return { id, one, other }
}

/** The readings of a set-up as the database has them. */
const kept = async (id: string): Promise<readonly string[]> =>
  (
    await shop.asOwner(
      `SELECT place, body->'read'->>'text' AS text FROM fact WHERE stream_id = $1 ORDER BY place`,
      [id],
    )
  ).map(({ place, text }) => `${place} ${text ?? 'sheet'}`)

test('facts sent to two servers at once are all kept, one after the other, and the list has counted them all', async () => {
  const { id, one, other } = await twoServers()
  const facts = Array.from({ length: 12 }, (_, at) => reading(1, `-2${10 + at}.000`))
  const outcomes = await Promise.all(
    facts.map((fact, at) => (at % 2 === 0 ? one : other).add(mira, id, fact)),
  )
  expect(outcomes.filter(({ ok }) => !ok)).toEqual([])
  const rows = await kept(id)
  expect(rows.map((row) => Number(row.split(' ')[0]))).toEqual(Array.from(Array(13).keys()))
  expect(rows.map((row) => row.split(' ')[1]).sort()).toEqual(
    ['sheet', ...facts.map((_, at) => `-2${10 + at}.000`)].sort(),
  )
  // Each server answers with where the fact stands, and both tell the same set-up.
  const [here, there] = await Promise.all([one.open(id), other.open(id)])
  expect(here).toEqual(there)
  const [{ summary }] = await shop.asOwner('SELECT summary FROM summary WHERE stream_id = $1', [id])
  expect(summary.changedAt).toBe('2026-03-02T09:00:00.000Z')
  await one.list()
  const again = await aServer().add(mira, id, reading(1, '-300.000'))
  expect(again).toMatchObject({ ok: true, value: { from: 13 } })
})

test('one fact sent to both at once is one fact', async () => {
  const { id, one, other } = await twoServers()
  const fact = reading(1, '-220.000')
  const outcomes = await Promise.all([one, other, one, other].map((to) => to.add(mira, id, fact)))
  for (const outcome of outcomes)
    expect(outcome).toMatchObject({ ok: true, value: { from: 1, facts: [{ id: fact.id }] } })
  expect(await kept(id)).toEqual(['0 sheet', '1 -220.000'])
})

test('what a server does not know yet is read before a fact is refused', async () => {
  const { id, one, other } = await twoServers()
  expect(await one.add(mira, id, reading(2, '-190.000'))).toMatchObject({ ok: false })
  const newSheet: NewFact = { id: uuid(), kind: 'sheet', body: sheetOf(1, 2) as never }
  expect(await other.add(mira, id, newSheet)).toMatchObject({ ok: true })
  expect(await one.add(mira, id, reading(2, '-190.000'))).toMatchObject({
    ok: true,
    value: { from: 2 },
  })
})

test('what a server did not know forbids a fact that it would have allowed', async () => {
  const { id, one, other } = await twoServers()
  const both: NewFact = { id: uuid(), kind: 'sheet', body: sheetOf(1, 2) as never }
  expect(await one.add(mira, id, both)).toMatchObject({ ok: true })
  expect(await other.open(id)).toMatchObject({ ok: true })
  const without: NewFact = { id: uuid(), kind: 'sheet', body: sheetOf(1) as never }
  expect(await one.add(mira, id, without)).toMatchObject({ ok: true })
  expect(await other.add(mira, id, reading(2, '-190.000'))).toMatchObject({
    ok: false,
    refusal: { problems: [{ place: expect.stringContaining('tool') }] },
  })
  expect(await kept(id)).toHaveLength(3)
})

test('an id that another set-up has is refused, and nothing is written', async () => {
  const first = await twoServers()
  const second = await twoServers()
  const fact = reading(1, '-220.000')
  expect(await first.one.add(mira, first.id, fact)).toMatchObject({ ok: true })
  expect(await second.other.add(mira, second.id, fact)).toMatchObject({
    ok: false,
    refusal: { code: 'id-already-used' },
  })
  expect(await kept(second.id)).toEqual(['0 sheet'])
})

test('a set-up as the database tells it is the one that its facts make, whatever stands in them', async () => {
  const one = aServer()
  const id = uuid()
  const sheet = { ...sheetOf(1), name: 'Ring "A" \\ ½ ✓\n, {the second}' }
  await one.create(mira, { id, sheetFactId: uuid(), sheet })
  await one.add(mira, id, { ...reading(1, '-210.000'), via: 'captured' }, { seen: 1 })
  await one.add(mira, id, reading(1, '-210.001'), { at: '2026-03-02T08:59:58.007Z' })
  // What this server holds it has never read back; another one and the answer that goes out come from the rows.
  const held = await one.open(id)
  const told = await one.openAsJson(id)
  expect(held.ok && told.ok && JSON.parse(told.value)).toEqual(held.ok && held.value)
  expect(held).toMatchObject({
    value: {
      file: { facts: [{}, { via: 'captured', seen: 1 }, { at: '2026-03-02T08:59:58.007Z' }] },
    },
  })
  expect(await aServer().open(id)).toEqual(held)
  expect(await one.openAsJson(uuid())).toMatchObject({ ok: false, refusal: { code: 'not-found' } })
})

test('a session that ends at one server is known to be over by another a moment later, and is never longer than it is', async () => {
  const other = typeormStore(shop.database, shop.store.shopId)
  const at = new Date('2026-03-02T08:00:00Z')
  const later = (hours: number) => new Date(at.getTime() + hours * 3_600_000)
  const opened = { personId: mira.id, deviceHash: 'd', at, expiresAt: later(14) }
  await shop.store.openSession({ tokenHash: 'a shift', ...opened })
  expect(await other.memberOfSession('a shift', at)).toEqual(mira)
  expect(await other.memberOfSession('a shift', later(15))).toBeUndefined()
  await shop.store.closeSession('a shift')
  expect(await shop.store.memberOfSession('a shift', at)).toBeUndefined()
  await new Promise((resolve) => setTimeout(resolve, SESSION_MOMENT + 50))
  expect(await other.memberOfSession('a shift', at)).toBeUndefined()
})

test('a server holds so many facts and no more: the set-up that was used longest ago is read again', async () => {
  const { id } = await twoServers()
  const { id: second } = await twoServers()
  let asked: string[] = []
  const store = {
    ...shop.store,
    setupJson: (one: string) => (asked.push(one), shop.store.setupJson(one)),
  }
  const streams = new SetupStreams(store, new SetupCache(1))
  await streams.open(id)
  await streams.open(id)
  await streams.open(second)
  expect(asked).toEqual([id, second])
  expect(streams.known(id)).toBeUndefined()
  expect(streams.known(second)?.facts).toHaveLength(1)
  asked = []
  const both = new SetupStreams(store, new SetupCache(2))
  for (const one of [id, second, id, second]) await both.open(one)
  expect(asked).toEqual([id, second])
})
