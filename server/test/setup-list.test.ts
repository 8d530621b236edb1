import { begins, declares, enters } from './entering'
import { setupPageSchema, type SetupPage } from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'
import { sheetOf } from './sheets'

// The list of set-ups is asked by the page: which of them, on which machine, by which words, and how many there are in all.

let shop: Harness
const mill = uuid()
/** So many copies of a set-up that was worked on, each a minute younger than the one before. */
const MANY = 120

beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
  const sheet = sheetOf(1)
  await shop.send(
    ...declares('machine', { id: mill, machine: { ...sheet.machine, name: 'Mill 2' } }),
  )
  const begin = async (name: string, more: object = {}) => {
    const id = uuid()
    const body = { id, sheetFactId: uuid(), sheet: { ...sheet, name, ...more } }
    expect((await shop.send(...begins(body))).status).toBe(201)
    shop.passSeconds(60)
    return id
  }
  const elsewhere = { machine: { ...sheet.machine, name: 'Mill 9' } }
  const first = await begin('Focuser body', { machineId: mill })
  await shop.asOwner(
    `WITH new AS (SELECT gen_random_uuid() AS id, more FROM generate_series(1, $2::int) more),
     begun AS (
       INSERT INTO stream (shop_id, id, kind, created_by, created_at)
       SELECT shop_id, new.id, kind, created_by, created_at + make_interval(mins => more) FROM new, stream WHERE stream.id = $1
     )
     INSERT INTO summary (shop_id, stream_id, summary, created_at)
     SELECT shop_id, new.id,
       summary || jsonb_build_object('id', new.id, 'name', 'Copy ' || more, 'machine', 'Mill 9', 'machineId', null),
       created_at + make_interval(mins => more)
     FROM new, summary WHERE stream_id = $1`,
    [first, MANY],
  )
  // Its sheet is from before machines were the shop's: only what it is called tells where it is.
  await begin('Clamp ring', { machine: { ...sheet.machine, name: 'Mill 2' } })
  const released = await begin('Rail 60 %', elsewhere)
  const away = await begin('Old job', elsewhere)
  const is = (id: string, changes: object) =>
    shop.asOwner('UPDATE summary SET summary = summary || $2 WHERE stream_id = $1', [id, changes])
  await is(released, { recorded: true, nextStation: null, changedBy: 'Jory Fenn' })
  await is(away, { away: { by: 'Mira Toller', at: '2026-03-02T08:00:00Z' } })
})
afterAll(() => shop.close())

const page = async (query: string): Promise<SetupPage> => {
  const { status, body } = await shop.send('GET', `/setups${query}`)
  expect([query, status]).toEqual([query, 200])
  return setupPageSchema.parse(body)
}
const names = async (query: string) => (await page(query)).setups.map(({ name }) => name)

test('fifty of them, the youngest first, and how many there are in all', async () => {
  const { setups, total } = await page('')
  expect([setups.length, total]).toEqual([50, MANY + 3])
  const at = setups.map(({ createdAt }) => createdAt)
  expect(at).toEqual(at.toSorted().reverse())
  expect((await page('?most=100')).setups).toHaveLength(100)
  expect((await page('?most=2000')).setups).toHaveLength(MANY + 3)
})

test('what is worked on, what was released and left as it was, what was put away', async () => {
  expect((await page('?standing=open')).total).toBe(MANY + 2)
  expect(await names('?standing=released')).toEqual(['Rail 60 %'])
  expect(await names('?away=1')).toEqual(['Old job'])
  expect(await names('?away=1&standing=released')).toEqual([])
})

test('those on one machine, by what it is called where their sheet does not say which it is', async () => {
  expect(await names(`?machine=${mill}`)).toEqual(['Clamp ring', 'Focuser body'])
  expect(await names(`?machine=${mill}&most=1`)).toEqual(['Clamp ring'])
  expect((await page(`?machine=${mill}&most=1`)).total).toBe(2)
  expect(await names(`?machine=${uuid()}`)).toEqual([])
})

test('found by every word, in whatever case and wherever it stands; a sign stands for itself', async () => {
  expect(await names('?find=RING%20mill')).toEqual(['Clamp ring'])
  expect(await names('?find=%20%20focus%20mira')).toEqual(['Focuser body'])
  expect(await names('?find=60%20%25')).toEqual(['Rail 60 %'])
  expect(await names('?find=jory%20ring')).toEqual([])
  expect((await page('?find=copy')).total).toBe(MANY)
})

test.each(['?most=0', '?most=2001', '?standing=done', '?machine=Mill%202', '?away=yes'])(
  'what cannot be asked is refused with its place: %s',
  async (query) => {
    const { status, body } = await shop.send('GET', `/setups${query}`)
    expect([status, body.error.place]).toEqual([422, /\?(\w+)/.exec(query)?.[1]])
  },
)

test('what happens to a machine is told in every open set-up on it, however the sheet names it', async () => {
  const event = { id: uuid(), what: 'home-lost', note: '' }
  await shop.send(...enters('machine', mill, 'machine-event', event))
  const { setups } = await page(`?machine=${mill}`)
  for (const { id } of setups) {
    const { facts } = (await shop.send('GET', `/setups/${id}`)).body.file
    expect(facts.at(-1)).toMatchObject({ kind: 'event', body: { kind: 'home-lost' } })
  }
})
