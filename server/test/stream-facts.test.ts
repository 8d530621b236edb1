import { v7 as uuid } from 'uuid'
import { begins, declares, enters } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// The one way of every fact, where it is not of a set-up: setups.test.ts and robust.test.ts hold that one.

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Lena Lead')
})
afterAll(() => shop.close())

const MACHINE = sheetOf(1).machine
const gaugeOf = (id: string) => ({ id, kind: 'ball', name: 'ball', size: mm('20') })
const happened = () => ({ id: uuid(), what: 'home-lost', note: '' })
const factsOf = async (stream: string, id: string, from = 0) =>
  (await shop.send('GET', `/streams/${stream}/${id}/facts?from=${from}`)).body

async function machine(): Promise<string> {
  const id = uuid()
  expect((await shop.send(...declares('machine', { id, machine: MACHINE }))).status).toBe(201)
  return id
}

test('facts that come at once are all written, one after the other', async () => {
  const id = await machine()
  const events = Array.from({ length: 8 }, happened)
  const answers = await Promise.all(
    events.map((event) => shop.send(...enters('machine', id, 'machine-event', event))),
  )
  expect(answers.map(({ status }) => status)).toEqual(events.map(() => 201))
  const { facts } = await factsOf('machine', id)
  expect(facts.map(({ kind }: { kind: string }) => kind)).toEqual([
    'machine',
    ...events.map(() => 'machine-event'),
  ])
  expect(answers.map(({ body }) => body.from).sort()).toEqual(events.map((_, index) => index + 1))
})

test('the same fact again changes nothing; its id with something else in it, or elsewhere, is refused', async () => {
  const [one, other] = [await machine(), await machine()]
  const event = happened()
  const first = await shop.send(...enters('machine', one, 'machine-event', event))
  const again = await shop.send(...enters('machine', one, 'machine-event', event))
  expect([again.status, again.body]).toEqual([201, first.body])
  for (const [of, body] of [
    [one, { ...event, note: 'changed' }],
    [other, event],
  ] as const) {
    const refused = await shop.send(...enters('machine', of, 'machine-event', body))
    expect([refused.status, refused.body.error.code]).toEqual([409, 'id-already-used'])
  }
  expect((await factsOf('machine', one)).facts).toHaveLength(2)
  expect((await factsOf('machine', other)).facts).toHaveLength(1)
})

test('a stream begins with what its thing is declared to be, and is of one kind', async () => {
  const nothing = await shop.send(...enters('machine', uuid(), 'machine-event', happened()))
  expect(nothing).toMatchObject({ status: 404, body: { error: { code: 'not-found' } } })
  const id = await machine()
  const taken = await shop.send(...declares('tool', { id, tool: { name: 'drill' } }))
  expect([taken.status, taken.body.error.code]).toEqual([409, 'id-already-used'])
  expect(
    (await shop.send(...declares('tool', { id: 'drill', tool: { name: 'drill' } }))).status,
  ).toBe(404)
  // A kind of fact is of its own stream.
  const check = { id: uuid(), read: mm('20'), against: 'block', master: mm('20') }
  expect((await shop.send(...enters('machine', id, 'gauge-check', check))).status).toBe(422)
})

test.each([
  ['gauge', (id: string) => declares('gauge', { id, gauge: gaugeOf(id) }), 422],
  ['tool', (id: string) => declares('tool', { id, tool: { name: 'drill' } }), 422],
  ['machine', (id: string) => declares('machine', { id, machine: MACHINE }), 201],
] as const)(
  'a %s that is declared anew says why, unless it is a machine of which no less is asked',
  async (_, declared, status) => {
    const id = uuid()
    expect((await shop.send(...declared(id))).status).toBe(201)
    const again = await shop.send(...declared(id))
    expect(again.status).toBe(status)
    if (status !== 201)
      expect(again.body.error).toMatchObject({ place: 'body.reason', expected: 'why' })
  },
)

test('the facts of a stream are told from a place on, with who entered them and when', async () => {
  const id = await machine()
  await shop.send(...enters('machine', id, 'machine-event', happened()))
  expect(await factsOf('machine', id, 1)).toMatchObject({
    from: 1,
    facts: [
      {
        kind: 'machine-event',
        via: 'typed',
        by: { name: 'Lena Lead' },
        body: { what: 'home-lost' },
      },
    ],
  })
  expect((await factsOf('machine', id, 9)).facts).toEqual([])
  for (const [path, expected] of [
    [`gauge/${id}`, 'a gauge of the shop'],
    [`machine/${uuid()}`, 'a machine of the shop'],
    ['machine/nothing', 'a machine of the shop'],
    [`shop/${id}`, 'a path of /api/openapi.json'],
  ])
    expect(await shop.send('GET', `/streams/${path}/facts?from=0`)).toMatchObject({
      status: 404,
      body: { error: { expected } },
    })
})

test('what follows from a fact that is written already is done when it is sent again', async () => {
  const id = await machine()
  const setup = uuid()
  const sheet = { ...sheetOf(1), machineId: id }
  expect((await shop.send(...begins({ id: setup, sheetFactId: uuid(), sheet }))).status).toBe(201)
  const event = happened()
  const [method, path, fact] = enters('machine', id, 'machine-event', event)
  const { id: _, ...body } = event
  // As a server left it that ended between the two.
  const [{ person_id }] = await shop.asOwner(`SELECT person_id FROM fact WHERE stream_id = '${id}'`)
  await shop.store.appendOutside({ kind: 'machine', id }, 1, {
    ...{ id: event.id, kind: 'machine-event', body, via: 'typed' },
    ...{ personId: person_id, recordedAt: new Date('2026-03-02T08:00:00Z') },
  })
  const eventsOf = async () =>
    (await factsOf('setup', setup)).facts.filter(({ kind }: { kind: string }) => kind === 'event')
  expect(await eventsOf()).toEqual([])
  for (let times = 0; times < 2; times += 1) {
    expect((await shop.send(method, path, fact)).status).toBe(201)
    expect(await eventsOf()).toMatchObject([{ body: { kind: 'home-lost' } }])
  }
})

test('so are set-ups listed anew when a machine that asks more is declared a second time', async () => {
  const overtaken = jest.spyOn(shop.store, 'overtakeSummaries')
  const id = await machine()
  const stricter = { ...MACHINE, policy: { secondLook: true } }
  const sent = declares('machine', { id, machine: stricter })
  for (let times = 1; times <= 2; times += 1) {
    expect((await shop.send(...sent)).status).toBe(201)
    expect(overtaken.mock.calls.map(([of]) => of)).toEqual(
      Array.from({ length: times }, () => ({ id, name: 'Mill 2' })),
    )
  }
  overtaken.mockRestore()
})

test.each([
  ['two hours slow', -2],
  ['an hour fast', 1],
])('a clock that is %s tells how long a fact waited, and not when', async (_, hours) => {
  const id = await machine()
  const enter = async (query: string) => {
    const { body } = await shop.send(...enters('machine', id, 'machine-event', happened(), query))
    return Date.parse(body.facts[0].at)
  }
  const now = await enter('')
  const clock = (minutes: number) =>
    new Date(now + hours * 3_600_000 + minutes * 60_000).toISOString()
  expect(await enter(`?at=${clock(0)}&sent=${clock(0)}`)).toBe(now)
  // Entered twenty minutes before it was sent.
  expect(await enter(`?at=${clock(-20)}&sent=${clock(0)}`)).toBe(now - 20 * 60_000)
})
