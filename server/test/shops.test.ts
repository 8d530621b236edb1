import { begins, declares, enters } from './entering'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { createApi, type Api } from '../src/http/api'
import { hostsOf, type ApiOfHost } from '../src/http/door/hosts'
import { apiOfHosts } from '../src/http/door/shops'
import { createSite } from '../src/http/door/site'
import { listen, openDatabase, type Database } from '../src/store/data-source'
import { typeormStore } from '../src/store/typeorm-store'
import { addShop } from '../src/store/new-shop'
import { admit, firstCode } from '../src/use-cases/people/people'
import { hashToken } from '../src/use-cases/people/sign-in'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// Two hundred shops in one database: each is asked for by a host of its own, and none sees, finds or changes anything of another;
// by the conditions of each statement, and by what the database shows a connection (row level security) where one were missing.

const SHOPS = 200
const at = new Date('2026-03-02T08:00:00Z')
const clock = () => at

interface Known {
  readonly host: string
  readonly shop: string
  readonly person: string
  readonly cookie: string
  readonly setup: string
  readonly machine: string
  readonly gauge: string
  readonly tool: string
}

let server: Harness
let database: Database
let owner: DataSource
let changes: ReturnType<typeof listen>
let site: ReturnType<typeof createSite>
const shops: Known[] = []

/** What is entered (entering.ts), as whoever has a cookie. */
const enter = (
  host: string,
  cookie: string,
  [method, path, body]: readonly [string, string, object],
) => ask(host, method, path, cookie, body)

const ask = async (host: string, method: string, path: string, cookie: string, body?: object) => {
  const answer = await site.request(`http://${host}/api${path}`, {
    method,
    headers: { Cookie: cookie, 'Content-Type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })
  const text = await answer.text()
  return { status: answer.status, text, body: JSON.parse(text) }
}

/** A shop with one of each thing, entered through its own API. */
async function shopOf(number: number): Promise<Known> {
  const host = `shop-${number}.example`
  const shop = await addShop(owner, { name: `Shop ${number}`, host }, new Date())
  const store = typeormStore(await database.ofShop(shop), shop)
  const [person, token] = [uuid(), uuid()]
  // Hashing two hundred PINs is another test's business.
  await store.addPerson(
    { id: person, name: 'Mira Toller', role: 'lead', pinHash: 'x', pinDigits: 6 },
    at,
  )
  const expiresAt = new Date(at.getTime() + 3_600_000)
  await store.openSession({
    tokenHash: hashToken(token),
    personId: person,
    deviceHash: token,
    at,
    expiresAt,
  })
  const [setup, machine, gauge, tool] = [uuid(), uuid(), uuid(), uuid()]
  const known = { host, shop, person, cookie: `pine_session=${token}`, setup, machine, gauge, tool }
  const sheet = sheetOf(1)
  const made = [
    await enter(host, known.cookie, declares('machine', { id: machine, machine: sheet.machine })),
    await enter(
      host,
      known.cookie,
      declares('gauge', {
        id: gauge,
        gauge: { id: gauge, kind: 'height-setter', name: `Setter ${number}`, size: mm('50') },
      }),
    ),
    await enter(
      host,
      known.cookie,
      declares('tool', { id: tool, tool: { name: `Drill ${number}` } }),
    ),
    await enter(
      host,
      known.cookie,
      begins({
        id: setup,
        sheetFactId: uuid(),
        sheet: { ...sheet, name: `Job ${number}`, machineId: machine },
      }),
    ),
  ]
  expect(made.map(({ status }) => status)).toEqual([201, 201, 201, 201])
  return known
}

beforeAll(async () => {
  server = await startHarness()
  database = await openDatabase(server.url)
  owner = await new DataSource({ type: 'postgres', url: server.url }).initialize()
  changes = listen(server.url)
  const make = (store: Parameters<typeof createApi>[0]['store']): Api =>
    createApi({
      store,
      changes,
      clock,
      door: { firstNeedsCode: true, demoOnNetwork: false },
      onUnexpected: (cause) => {
        throw cause
      },
    })
  const own = hostsOf(['pine.example'])
  const apiOf: ApiOfHost = apiOfHosts(database, { own, first: server.store.shopId }, make)
  site = createSite(apiOf, __dirname)
  for (let number = 0; number < SHOPS; number += 1) shops.push(await shopOf(number))
}, 120_000)
afterAll(async () => {
  await changes.close()
  await owner.destroy()
  await database.destroy()
  await server.close()
})

/** Pairs of shops, far from one another and next to one another. */
const pairs = () =>
  [...Array(20).keys()].map(
    (index) => [shops[index * 9]!, shops[(index * 57 + 1) % SHOPS]!] as const,
  )

test('each is asked for by its own host, and shows its own', async () => {
  for (const { host, cookie, setup } of shops) {
    const list = await ask(host, 'GET', '/setups', cookie)
    expect(list.body.setups.map(({ id }: { id: string }) => id)).toEqual([setup])
  }
})

async function nothingOfAnother(): Promise<void> {
  for (const [mine, other] of pairs()) {
    const paths = [
      `/setups/${other.setup}`,
      `/setups/${other.setup}/solution`,
      `/setups/${other.setup}/facts?from=0`,
      `/machines/${other.machine}/history`,
      `/gauges/${other.gauge}/checks`,
      `/tools/${other.tool}`,
    ]
    for (const path of paths)
      expect([path, (await ask(mine.host, 'GET', path, mine.cookie)).status]).toEqual([path, 404])
    for (const path of [
      '/setups',
      '/machines',
      '/gauges',
      '/tools',
      '/people',
      '/members',
      '/shop',
      '/search?find=job',
      '/search?find=setter',
      '/search?find=drill',
    ]) {
      const { status, text } = await ask(mine.host, 'GET', path, mine.cookie)
      expect([path, status]).toEqual([path, 200])
      for (const id of [
        other.setup,
        other.machine,
        other.gauge,
        other.tool,
        other.person,
        other.shop,
      ])
        expect([path, text.includes(id)]).toEqual([path, false])
    }
  }
}

test(
  'nothing of another is shown, by its id, in a list, or by words that are looked for',
  nothingOfAnother,
)

test('nothing is entered into another’s, and nobody of one is signed in at another', async () => {
  for (const [mine, other] of pairs()) {
    const fact = { id: uuid(), kind: 'check-off', body: { of: 'home' } }
    const entered = await ask(
      mine.host,
      'POST',
      `/streams/setup/${other.setup}/facts`,
      mine.cookie,
      fact,
    )
    expect(entered.status).toBe(404)
    const event = { id: uuid(), what: 'home-lost', note: '' }
    const told = await enter(
      mine.host,
      mine.cookie,
      enters('machine', other.machine, 'machine-event', event),
    )
    expect(told.status).toBe(404)
    // A session of one is none at another, and a name of one is not known there.
    expect((await ask(other.host, 'GET', '/setups', mine.cookie)).status).toBe(401)
    const signIn = { personId: mine.person, pin: '246810' }
    const refused = await ask(other.host, 'POST', '/session', '', signIn)
    expect([refused.status, refused.body.error.place]).toEqual([401, 'personId'])
    const put = await ask(mine.host, 'DELETE', `/members/${other.person}`, mine.cookie)
    expect(put.status).toBe(404)
  }
})

test('the same id in two shops is two things', async () => {
  const [mine, other] = [shops[3]!, shops[4]!]
  const sheet = { ...sheetOf(1), name: 'The same id' }
  const made = await enter(
    mine.host,
    mine.cookie,
    begins({ id: other.setup, sheetFactId: uuid(), sheet }),
  )
  expect(made.status).toBe(201)
  const [here, there] = [
    await ask(mine.host, 'GET', `/setups/${other.setup}`, mine.cookie),
    await ask(other.host, 'GET', `/setups/${other.setup}`, other.cookie),
  ]
  expect(here.body.file.facts[0].body.name).toBe('The same id')
  expect(there.body.file.facts[0].body.name).toBe('Job 4')
})

const TABLES = [
  'stream',
  'fact',
  'frozen',
  'summary',
  'program_text',
  'tool_now',
  'tool_use',
  'person',
  'person_change',
  'session',
  'join_code',
  'known_device',
  'secret_try',
]

test('the second lock: a statement that forgot its shop still sees one alone, and none without being told which', async () => {
  const [mine, other] = [shops[0]!, shops[1]!]
  const source = await database.ofShop(mine.shop)
  const nowhere = await database.ofShop('00000000-0000-7000-8000-000000000000')
  for (const table of TABLES) {
    const shown: readonly { shop_id: string }[] = await source.query(`SELECT shop_id FROM ${table}`)
    expect([table, shown.filter(({ shop_id }) => shop_id !== mine.shop)]).toEqual([table, []])
    expect([table, await nowhere.query(`SELECT shop_id FROM ${table}`)]).toEqual([table, []])
  }
  expect(await source.query('SELECT id FROM shop')).toEqual([{ id: mine.shop }])
  await expect(
    source.query(
      `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
       VALUES ($1, $2, 1, gen_random_uuid(), 'check-off', '{"of":"home"}', 'typed', $3, now())`,
      [other.shop, other.setup, other.person],
    ),
  ).rejects.toThrow('row-level security')
  // What it may change it changes of its own alone.
  await source.query(`UPDATE summary SET summary = summary || '{"warnings": 9}'`)
  const [{ warnings }] = await owner.query(
    `SELECT max((summary ->> 'warnings')::int) AS warnings FROM summary WHERE shop_id <> $1`,
    [mine.shop],
  )
  expect(warnings).toBe(0)
})

test('every table that says whose a row is has the second lock', async () => {
  const rows: readonly { name: string; locked: boolean; policies: number }[] = await owner.query(
    `SELECT relname AS name, relrowsecurity AS locked, (SELECT count(*)::int FROM pg_policy WHERE polrelid = pg_class.oid) AS policies
     FROM pg_class JOIN pg_attribute ON attrelid = pg_class.oid
     WHERE relkind = 'r' AND attname = 'shop_id' AND NOT attisdropped AND relname <> 'shop_host' ORDER BY relname`,
  )
  expect(rows.map(({ name }) => name)).toEqual(TABLES.toSorted())
  expect(rows.filter(({ locked, policies }) => !locked || policies !== 1)).toEqual([])
})

test('connections are handed from shop to shop, and each statement runs for the one that asked', async () => {
  const told = await Promise.all(
    Array.from({ length: 400 }, async (_, index) => {
      const { shop } = shops[(index * 7) % SHOPS]!
      const source = await database.ofShop(shop)
      const [row] = await source.query(
        'SELECT shop_now() AS now, count(*)::int AS count FROM stream',
      )
      return row.now === shop && row.count >= 4
    }),
  )
  expect(told.filter((isOwn) => !isOwn)).toEqual([])
})

describe('adding a shop', () => {
  test.each([
    ['', 'a.example', 'has a name'],
    ['North', 'not a host', 'is no host'],
    ['North', 'north.example:8080', 'is no host'],
    ['North', '-north.example', 'is no host'],
    ['North', 'SHOP-7.example', 'is another shop’s'],
  ])('%j by %j is refused: %s', async (name, host, words) => {
    await expect(addShop(owner, { name, host }, at)).rejects.toThrow(words)
  })

  test('it begins empty, with a code for its first lead, and nobody else comes in', async () => {
    const host = 'new-one.example'
    const shop = await addShop(owner, { name: 'New one', host: 'New-One.example' }, new Date())
    const code = await firstCode(typeormStore(await database.ofShop(shop), shop), clock)
    const somebody = { id: uuid(), name: 'Jory Fenn', pin: '135790' }
    expect((await ask(host, 'POST', '/people', '', somebody)).status).toBe(403)
    expect((await ask(shops[0]!.host, 'POST', '/people', '', { ...somebody, code })).status).toBe(
      403,
    )
    expect((await ask(host, 'POST', '/people', '', { ...somebody, code })).status).toBe(201)
    const [member] = await typeormStore(await database.ofShop(shop), shop).members()
    expect(member).toMatchObject({ name: 'Jory Fenn', role: 'lead' })
  })
})

test('by a name that is no shop’s the first one is asked; by one that is nobody’s, none', async () => {
  await admit(server.store, clock, { id: uuid(), name: 'First Lead', pin: '246810', role: 'lead' })
  const people = await ask('pine.example', 'GET', '/people', '')
  expect(people.body.map(({ name }: { name: string }) => name)).toEqual(['First Lead'])
  expect((await ask('elsewhere.example', 'GET', '/people', '')).body.error.code).toBe('wrong-host')
})

test('while the database is away what was known of hosts holds, and nobody is told that a shop is not there', async () => {
  let isAway = false
  const away = Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' })
  const own = hostsOf(['pine.example'])
  const apiOf = apiOfHosts(
    {
      ofShop: (id) => database.ofShop(id),
      shopOfHost: (host) => (isAway ? Promise.reject(away) : database.shopOfHost(host)),
    },
    { own, first: server.store.shopId },
    (store) => ({ fetch: () => new Response(store.shopId) }) as unknown as Api,
  )
  const passing = createSite(apiOf, __dirname)
  const answered = async (host: string) => {
    const answer = await passing.request(`http://${host}/api/health`)
    return [answer.status, answer.status === 200 ? await answer.text() : '']
  }
  const { host, shop } = shops[5]!
  expect(await answered(host)).toEqual([200, shop])
  const later = jest.spyOn(performance, 'now').mockReturnValue(performance.now() + 60_000)
  isAway = true
  expect(await answered(host)).toEqual([200, shop])
  expect(await answered('pine.example')).toEqual([200, server.store.shopId])
  expect(await answered(shops[6]!.host)).toEqual([503, ''])
  later.mockRestore()
})

test('the first lock holds without the second: nothing of another is shown where the database would show it', async () => {
  for (const table of [...TABLES, 'shop'])
    await owner.query(`ALTER TABLE ${table} DISABLE ROW LEVEL SECURITY`)
  const source = await database.ofShop(shops[0]!.shop)
  const [{ count }] = await source.query('SELECT count(DISTINCT shop_id)::int AS count FROM fact')
  expect(count).toBe(SHOPS)
  await nothingOfAnother()
})
