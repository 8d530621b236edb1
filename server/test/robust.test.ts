import { begins, declares } from './entering'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { createApi } from '../src/http/api'
import { createSite } from '../src/http/door/site'
import { transientFailure } from '../src/store/failures'
import { onHosts, startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

let shop: Harness
let setup: string

const SHEET = sheetOf(1)
const tip = (changes: object = {}) => ({
  of: 'tip-on-plane',
  tool: 1,
  read: mm('-220.000'),
  with: ['setter'],
  ...changes,
})
const fact = (body: object = tip(), id = uuid()) => ({ id, kind: 'reading', body })
const newSetup = async () => {
  const id = uuid()
  const made = await shop.send(...begins({ id, sheetFactId: uuid(), sheet: SHEET }))
  expect(made.status).toBe(201)
  return id
}

beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
  setup = await newSetup()
})
afterAll(() => shop.close())

describe('text that cannot be kept', () => {
  const HALF = String.fromCharCode(0xd83d)

  test.each([
    ['a NUL in a name', { ...SHEET, name: 'a\u0000b' }, 'body.name'],
    ['half an emoji', { ...SHEET, zero: `left ${HALF}` }, 'body.zero'],
    [
      'in a list',
      { ...SHEET, tools: [{ ...SHEET.tools[0], name: '\u0000' }] },
      'body.tools.0.name',
    ],
    ['in the name of a field', { ...SHEET, [`x\u0000`]: 1 }, 'body'],
  ])('%s is refused at its place', async (_name, sheet, place) => {
    const { status, body } = await shop.send(
      ...begins({
        id: uuid(),
        sheetFactId: uuid(),
        sheet,
      }),
    )
    expect(status).toBe(422)
    expect(body.error).toMatchObject({
      code: 'text-not-storable',
      place,
      remedy: expect.any(String),
    })
  })

  test('in a fact, and the next one goes through', async () => {
    const wrong = await shop.send(
      'POST',
      `/streams/setup/${setup}/facts`,
      fact(tip({ with: ['set\u0000ter'] })),
    )
    expect(wrong).toMatchObject({ status: 422, body: { error: { place: 'body.with.0' } } })
    expect((await shop.send('POST', `/streams/setup/${setup}/facts`, fact())).status).toBe(201)
  })

  test('a whole emoji is text like any other', async () => {
    const sheet = { ...SHEET, zero: 'corner 🙂' }
    const made = await shop.send(...begins({ id: uuid(), sheetFactId: uuid(), sheet }))
    expect(made.status).toBe(201)
    expect(made.body.facts[0].body.zero).toBe('corner 🙂')
  })
})

test.each([
  ['lists', '['.repeat(50_000) + ']'.repeat(50_000)],
  ['objects', '{"a":'.repeat(50_000) + '1' + '}'.repeat(50_000)],
  [
    'lists in a sheet',
    `{"id":"${uuid()}","kind":"sheet","body":{"name":${'['.repeat(60_000)}${']'.repeat(60_000)}}}`,
  ],
])('JSON of 50,000 nested %s is refused in words', async (_name, text) => {
  const { status, body } = await shop.send('POST', `/streams/setup/${uuid()}/facts`, text)
  expect(status).toBe(422)
  expect(body.error.code).toBe('nested-too-deep')
})

test('brackets in a text are no nesting', async () => {
  const sheet = { ...SHEET, zero: `${'['.repeat(300)} \\" ${'{'.repeat(300)}`.slice(0, 200) }
  const made = await shop.send(...begins({ id: uuid(), sheetFactId: uuid(), sheet }))
  expect(made.status).toBe(201)
})

test('an id in capitals is the same id', async () => {
  const id = uuid()
  const first = await shop.send(
    'POST',
    `/streams/setup/${setup}/facts`,
    fact(tip(), id.toUpperCase()),
  )
  const again = await shop.send('POST', `/streams/setup/${setup}/facts`, fact(tip(), id))
  expect([first.status, again.status]).toEqual([201, 201])
  expect(first.body.facts.at(-1).id).toBe(id)
  expect(again.body.facts[0].id).toBe(id)
  const opened = await shop.send('GET', `/setups/${setup.toUpperCase()}`)
  expect(opened.body.file.facts.filter((one: { id: string }) => one.id === id)).toHaveLength(1)
})

test('a path with a NUL in it is refused before anything reads it', async () => {
  for (const path of ['/setups/%00', `/setups/${setup}%00/solution`, '/programs/%00/text']) {
    const { status, body } = await shop.send('GET', path)
    expect([path, status, body.error.place]).toEqual([path, 422, 'path'])
  }
  const folder = mkdtempSync(join(tmpdir(), 'pine-site-'))
  writeFileSync(join(folder, 'index.html'), '<title>the page</title>')
  const site = createSite(onHosts(shop.api), folder)
  for (const path of ['/%00', '/a%00.js', '/%ff', '/..%2f..%2fetc/passwd'])
    expect(await (await site.request(path)).text()).not.toMatch(/root:/)
  for (const path of ['/%00', '/a%00.js', '/%ff'])
    expect((await site.request(path)).status).toBeLessThan(500)
  rmSync(folder, { recursive: true })
})

describe('guessing a PIN', () => {
  test('thirty guesses at once are five: the right one among them does not get in', async () => {
    const personId = await shop.signInAs('Pia Guessed', '7391')
    const guesses = [...Array.from({ length: 30 }, (_, index) => String(1000 + index)), '7391']
    const answers = await Promise.all(
      guesses.map((pin) => shop.send('POST', '/session', { personId, pin })),
    )
    const statuses = answers.map(({ status }) => status)
    expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(5)
    expect(statuses.at(-1)).toBe(429)
    // After the pause the right one does.
    shop.passSeconds(16 * 60)
    expect((await shop.send('POST', '/session', { personId, pin: '7391' })).status).toBe(201)
  })

  test('a clock that is set back lengthens no pause', async () => {
    const personId = await shop.signInAs('Pia Clock', '7391')
    for (let guess = 0; guess < 5; guess += 1)
      await shop.send('POST', '/session', { personId, pin: '0000' })
    shop.passSeconds(-86_400)
    expect((await shop.send('POST', '/session', { personId, pin: '7391' })).status).toBe(201)
    shop.passSeconds(86_400)
    await shop.signInAs('Mira Toller')
  })
})

describe('a database that does not answer as it should', () => {
  test('a set-up that is locked stalls no other, and says that it is busy', async () => {
    const other = await newSetup()
    const runner = shop.database.createQueryRunner()
    await runner.startTransaction()
    // Another process writes at its next place, and is not done with it.
    await runner.query(
      `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
       SELECT shop_id, stream_id, place + 1, gen_random_uuid(), kind, body, via, person_id, recorded_at
       FROM fact WHERE stream_id = $1 ORDER BY place DESC LIMIT 1`,
      [setup],
    )
    const waiting = Array.from({ length: 14 }, () =>
      shop.send('POST', `/streams/setup/${setup}/facts`, fact()),
    )
    let isAnswered = false
    void Promise.race(waiting).then(() => (isAnswered = true))
    await new Promise((resolve) => setTimeout(resolve, 200))
    expect((await shop.send('POST', `/streams/setup/${other}/facts`, fact())).status).toBe(201)
    expect((await shop.send('GET', '/setups')).status).toBe(200)
    expect(isAnswered).toBe(false)
    const first = await waiting[0]
    expect(first).toMatchObject({ status: 503, body: { error: { code: 'busy' } } })
    expect(Number(first?.headers.get('retry-after'))).toBeGreaterThan(0)
    await runner.rollbackTransaction()
    await runner.release()
    const statuses = (await Promise.all(waiting)).map(({ status }) => status)
    expect(statuses.every((status) => status === 201 || status === 503)).toBe(true)
    // Nothing is wrong with it once it is free.
    expect((await shop.send('POST', `/streams/setup/${setup}/facts`, fact())).status).toBe(201)
  }, 60_000)

  test.each([
    ['a full disk', '53100', 'away'],
    ['too many connections', '53300', 'away'],
    ['a disk that fails', '58030', 'away'],
    ['a line that broke', '08006', 'away'],
    ['a database that shuts down', '57P01', 'away'],
    ['a lock', '55P03', 'busy'],
    ['a rule that is broken', '23505', undefined],
  ] as const)('%s (%s) is told as %s', (_name, code, passing) => {
    const failure = Object.assign(new Error('x'), { driverError: { code } })
    expect(transientFailure(failure)).toBe(passing)
  })

  test.each([
    'Query runner already released. Cannot run queries anymore.',
    'Database connection provided by a query runner was already released, cannot continue',
    'Connection terminated unexpectedly',
  ])('a line that broke in the middle of a transaction: %s', (message) => {
    expect(transientFailure(new Error(message))).toBe('away')
  })

  test('health is the database’s, and a request without it is told to come again', async () => {
    expect(await shop.send('GET', '/health')).toMatchObject({ status: 200, body: { ok: true } })
    const gone = Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' })
    const unexpected: unknown[] = []
    const api = createApi({
      store: {
        ...shop.store,
        ping: () => Promise.reject(gone),
        people: () => Promise.reject(gone),
      },
      clock: () => new Date(),
      changes: {
        subscribe: () => () => {},
        close: async () => {},
        closed: new AbortController().signal,
      },
      onUnexpected: (cause) => unexpected.push(cause),
    })
    const health = await api.request('/api/health')
    expect(health.status).toBe(503)
    expect(await health.json()).toMatchObject({ error: { code: 'database-away' } })
    const asked = await api.request('/api/people')
    expect(asked.status).toBe(503)
    expect(asked.headers.get('retry-after')).not.toBeNull()
    expect(unexpected).toEqual([])
  })
})

test('no other page may lay itself over this one', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pine-site-'))
  writeFileSync(join(folder, 'index.html'), '<title>the page</title>')
  const answer = await createSite(onHosts(shop.api), folder).request('/setups/new')
  expect(answer.headers.get('content-security-policy')).toMatch(/frame-ancestors 'none'/)
  rmSync(folder, { recursive: true })
})

test('nothing of the API is kept by a cache', async () => {
  const answer = await shop.request('GET', `/setups/${setup}`)
  expect(answer.headers.get('cache-control')).toBe('no-store')
})

describe('a fact that waited on its device', () => {
  const send = (query: string) =>
    shop.send('POST', `/streams/setup/${setup}/facts?${query}`, fact())

  test('of another person is not taken under this one’s name: it waits on', async () => {
    const jory = await shop.signInAs('Jory Fenn')
    const mira = await shop.signInAs('Mira Toller')
    expect((await send(`by=${mira}`)).status).toBe(201)
    expect(await send(`by=${jory}`)).toMatchObject({
      status: 401,
      body: {
        error: { code: 'not-signed-in', remedy: expect.stringMatching(/waits on the device/) },
      },
    })
    expect((await send('by=somebody')).status).toBe(422)
    // Nor is a set-up that was begun there.
    const begin = (by: string) =>
      shop.send(...begins({ id: uuid(), sheetFactId: uuid(), sheet: SHEET }, `?by=${by}`))
    expect((await begin(mira)).status).toBe(201)
    expect(await begin(jory)).toMatchObject({ body: { error: { code: 'not-signed-in' } } })
  })

  test('is recorded when it was entered; a clock that cannot be right is not believed', async () => {
    // The clock of these tests stands at this moment, however long they take.
    const now = Date.parse((await send('')).body.facts[0].at)
    const at = async (moment: number) => {
      const { status, body } = await send(`at=${new Date(moment).toISOString()}`)
      expect(status).toBe(201)
      return Date.parse(body.facts[0].at) - now
    }
    expect(await at(now - 7_200_000)).toBe(-7_200_000)
    expect(await at(now + 30_000)).toBe(30_000)
    expect(await at(now + 120_000)).toBe(0)
    expect(await at(now - 61 * 86_400_000)).toBe(0)
    expect((await send('at=yesterday')).status).toBe(422)
  })

  test('tells what its device had seen; more than there is cannot be', async () => {
    const id = await newSetup()
    const first = await shop.send('POST', `/streams/setup/${id}/facts?seen=1`, fact())
    const second = await shop.send('POST', `/streams/setup/${id}/facts?seen=99`, fact())
    await shop.send('POST', `/streams/setup/${id}/facts`, fact())
    expect([first.body.facts[0].seen, second.body.facts[0].seen]).toEqual([1, 2])
    const { file } = (await shop.send('GET', `/setups/${id}`)).body
    expect(file.facts.map((one: { seen?: number }) => one.seen)).toEqual([
      undefined,
      1,
      2,
      undefined,
    ])
    expect((await shop.send('POST', `/streams/setup/${id}/facts?seen=-1`, fact())).status).toBe(422)
  })
})

test('a page that was open while the server was renewed sends what waits by the paths that it knows', async () => {
  await shop.signInAs('Lena Lead')
  const [id, gauge] = [uuid(), uuid()]
  const begun = await shop.send('POST', '/setups', { id, sheetFactId: uuid(), sheet: SHEET })
  expect([begun.status, begun.body.file.facts.length]).toEqual([201, 1])
  const added = await shop.send('POST', `/setups/${id}/facts`, fact())
  expect([added.status, added.body.from]).toEqual([201, 1])
  const length = (text: string) => ({ text, unit: 'mm' })
  const declared = { id: gauge, kind: 'ball', name: 'ball', size: length('50') }
  const watch = { limit: length('0.01') }
  await shop.send(...declares('gauge', { id: gauge, gauge: declared, watch }))
  const check = { id: uuid(), read: length('50'), against: 'block', master: length('50') }
  for (let times = 0; times < 2; times += 1) {
    const answer = await shop.send('POST', `/gauges/${gauge}/checks`, check)
    expect([answer.status, answer.body.checks]).toMatchObject([201, [{ id: check.id }]])
  }
})
