import { begins, declares } from './entering'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseSetupText } from '@pine/contract'
import { Client } from 'pg'
import { v7 as uuid } from 'uuid'
import { listenTo, type Changes, type ChangeNotice } from '../src/store/changes'
import { startHarness, type Harness } from './harness'

const parsed = parseSetupText(
  readFileSync(join(__dirname, '../../docs/examples/gauge-line.json'), 'utf8'),
)
const SHEET = parsed.ok ? parsed.file.facts[0]!.body : undefined

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
})
afterAll(() => shop.close())

const home = () => ({ id: uuid(), kind: 'check-off', body: { of: 'home' } })
const begin = async () => {
  const id = uuid()
  await shop.send(...begins({ id, sheetFactId: uuid(), sheet: SHEET }))
  return id
}

/** Reads events of the stream as they come. */
async function line() {
  const answer = await shop.request('GET', '/live')
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  return {
    status: answer.status,
    type: answer.headers.get('content-type'),
    async next() {
      while (!text.includes('\n\n')) {
        const { value, done } = await reader.read()
        if (done) return undefined
        text += value
      }
      const [first = ''] = text.split('\n\n')
      text = text.slice(first.length + 2)
      const [, event] = /^event: (.*)$/m.exec(first) ?? []
      const [, data] = /^data: (.*)$/m.exec(first) ?? []
      return { event, ...(data ? { data: JSON.parse(data) } : {}) }
    },
    leave: () => reader.cancel(),
  }
}

test('a fact is told to every device as it is written, with its place; a gap comes first', async () => {
  const id = await begin()
  const device = await line()
  expect(device.type).toContain('text/event-stream')
  expect(await device.next()).toEqual({ event: 'gap' })
  await shop.send('POST', `/streams/setup/${id}/facts`, home())
  const fact = (place: number) => ({ event: 'fact', data: { kind: 'setup', id, place } })
  const first = await device.next()
  // On a busy machine word of its beginning may still have been on its way.
  expect([fact(0), fact(1)]).toContainEqual(first)
  if (first?.data.place === 0) expect(await device.next()).toEqual(fact(1))
  const machine = uuid()
  const control = { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' }
  await shop.send(
    ...declares('machine', {
      id: machine,
      machine: { name: 'Mill 2', kind: 'mill', control },
    }),
  )
  expect(await device.next()).toMatchObject({ data: { kind: 'machine', id: machine, place: 0 } })
  await device.leave()
})

test('a refused fact is told to nobody', async () => {
  const id = await begin()
  const device = await line()
  await device.next()
  const refused = await shop.send('POST', `/streams/setup/${id}/facts`, {
    ...home(),
    body: { of: 'nothing' },
  })
  expect(refused.status).toBe(422)
  await shop.send('POST', `/streams/setup/${id}/facts`, home())
  expect(await device.next()).toMatchObject({ data: { place: 1 } })
  await device.leave()
})

test('what a device lacks is asked for from its place on', async () => {
  const id = await begin()
  for (let times = 0; times < 3; times += 1)
    await shop.send('POST', `/streams/setup/${id}/facts`, home())
  const { body } = await shop.send('GET', `/streams/setup/${id}/facts?from=2`)
  expect(body).toMatchObject({ from: 2, facts: { length: 2 } })
  expect((await shop.send('GET', `/streams/setup/${id}/facts?from=9`)).body.facts).toEqual([])
  expect((await shop.send('GET', `/streams/setup/${id}/facts?from=-1`)).status).toBe(422)
  expect((await shop.send('GET', `/streams/setup/${uuid()}/facts?from=0`)).status).toBe(404)
})

test('nobody who is not signed in hears anything', async () => {
  const stranger = await shop.api.request('/api/live')
  expect(stranger.status).toBe(401)
})

/** What is heard, and a wait until so much was. */
function hearing(changes: Changes) {
  const heard: ChangeNotice[] = []
  let wake = () => {}
  changes.subscribe((one) => {
    heard.push(one)
    wake()
  })
  const until = async (count: number) => {
    while (heard.length < count) await new Promise<void>((resolve) => (wake = resolve))
  }
  return { heard, until }
}

describe('the line to the database', () => {
  test('is opened again when it breaks, and a gap is told then', async () => {
    const opened: Client[] = []
    const changes = listenTo(() => {
      const client = new Client({ connectionString: shop.url })
      opened.push(client)
      return client
    })
    const { heard, until } = hearing(changes)
    await until(1)
    expect(heard).toEqual(['gap'])
    await shop.asOwner(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
       WHERE datname = current_database() AND query LIKE 'LISTEN%'`,
    )
    await until(3)
    expect(heard).toEqual(['gap', 'away', 'gap'])
    expect(opened.length).toBeGreaterThanOrEqual(2)
    const id = await begin()
    await until(4)
    expect(heard[3]).toMatchObject({ kind: 'setup', id, place: 0 })
    await changes.close()
  })

  test('that leads to a database which hangs is given up, and every device is told so until it is back', async () => {
    let hangs = false
    const changes = listenTo(() => {
      const client = new Client({ connectionString: shop.url })
      const query = client.query.bind(client)
      // As when its machine stands still: the line is there, and nothing comes back.
      client.query = ((...asked: unknown[]) =>
        hangs ? new Promise(() => undefined) : query(...(asked as [string]))) as typeof client.query
      return client
    }, 20)
    const { heard, until } = hearing(changes)
    await until(1)
    hangs = true
    await until(2)
    expect(heard).toEqual(['gap', 'away'])
    hangs = false
    await until(3)
    expect(heard).toEqual(['gap', 'away', 'gap'])
    await changes.close()
  }, 20_000)

  test('what others say on the channel is left alone', async () => {
    const device = await line()
    await device.next()
    await shop.asOwner(`SELECT pg_notify('pine_facts', 'hello')`)
    const id = await begin()
    let told = await device.next()
    while (told?.event === 'gap') told = await device.next()
    expect(told).toMatchObject({ data: { id } })
    await device.leave()
  })
})

test('what is written in another shop of the same database is told to nobody here', async () => {
  const id = await begin()
  const device = await line()
  expect(await device.next()).toEqual({ event: 'gap' })
  await shop.asOwner(`SELECT pg_notify('pine_facts', '${uuid()} setup ${uuid()} 7')`)
  await shop.send('POST', `/streams/setup/${id}/facts`, home())
  const heard: unknown[] = []
  for (let place = -1; place !== 1;) {
    const { data } = (await device.next())!
    heard.push(data.id)
    place = data.place
  }
  expect(new Set(heard)).toEqual(new Set([id]))
  await device.leave()
})
