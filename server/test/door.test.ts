import { declares } from './entering'
import { connect, type AddressInfo, type Socket } from 'node:net'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { serve, type ServerType } from '@hono/node-server'
import { v7 as uuid } from 'uuid'
import { createApi, type ApiParts } from '../src/http/api'
import { connectionOf } from '../src/http/door/connection'
import { PATIENCE } from '../src/http/door/patience'
import { createSite } from '../src/http/door/site'
import { firstCode } from '../src/use-cases/people/people'
import { dueDates } from '../src/use-cases/due-dates'
import { onHosts, startHarness, type Harness } from './harness'
import { mm } from './sheets'

// What comes in from outside: by whom, from which page, in which shape, and for how long.

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
})
afterAll(() => shop.close())

const silent = {
  subscribe: () => () => {},
  close: async () => {},
  closed: new AbortController().signal,
}
const apiOf = (of: Harness, parts: Partial<ApiParts> = {}) =>
  createApi({
    store: of.store,
    clock: () => new Date('2026-03-02T08:00:00Z'),
    changes: silent,
    onUnexpected: (cause) => {
      throw cause
    },
    ...parts,
  })
const json = (body: object, headers: Record<string, string> = {}) => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json', ...headers },
  body: JSON.stringify(body),
})
const cookieOf = (answer: Response) =>
  answer.headers
    .getSetCookie()
    .map((set) => set.split(';')[0])
    .join('; ')

describe('the first person of a product on a network', () => {
  const door = { firstNeedsCode: true, demoOnNetwork: false }
  const first = { id: uuid(), name: 'Uma First', pin: '246810' }

  test('joins by the code that the server has printed, and is its lead; it is good once', async () => {
    const empty = await startHarness()
    const api = apiOf(empty, { door })
    const join = async (body: object) => {
      const answer = await api.request('/api/people', json(body))
      return { status: answer.status, error: ((await answer.json()) as any).error }
    }
    const told = async () => (await (await api.request('/api/session')).json()) as object
    expect(await told()).toEqual({ person: null, firstNeedsCode: true })
    const without = await join(first)
    expect(without).toMatchObject({ status: 403, error: { code: 'code-wrong', place: 'code' } })
    expect(without.error.message).toContain('printed')
    const old = await firstCode(empty.store, () => new Date('2026-03-02T08:00:00Z'))
    const code = await firstCode(empty.store, () => new Date('2026-03-02T08:00:00Z'))
    // A code of an earlier start lets nobody in any more.
    expect((await join({ ...first, code: old })).status).toBe(403)
    expect((await join({ ...first, code, pin: '2468' })).error).toMatchObject({
      code: 'pin-too-short',
      place: 'pin',
    })
    expect((await join({ ...first, code })).status).toBe(201)
    expect((await join({ ...first, id: uuid(), name: 'Ugo', code })).status).toBe(403)
    expect(await told()).toEqual({ person: null })
    expect((await empty.store.members())[0]?.role).toBe('lead')
    expect(await firstCode(empty.store, () => new Date())).toBeUndefined()
    await empty.close()
  })
})

describe('a lead’s PIN', () => {
  test('has six digits or more, however somebody becomes one', async () => {
    await shop.signInAs('Mira Toller')
    const { code } = (await shop.send('POST', '/join-codes', { role: 'lead' })).body
    const join = (pin: string) =>
      shop.send('POST', '/people', { id: uuid(), name: 'Second Lead', pin, code })
    expect((await join('24681')).body.error.code).toBe('pin-too-short')
    // The code was not spent by it.
    const { status, body: joined } = await join('246813')
    expect(status).toBe(201)
    const pin = (digits: string) => shop.send('PUT', `/members/${joined.id}/pin`, { pin: digits })
    expect((await pin('1357')).body.error.code).toBe('pin-too-short')
    expect((await pin('135791')).status).toBe(200)

    const setter = (await shop.send('POST', '/join-codes', { role: 'setter' })).body.code
    const id = uuid()
    await shop.send('POST', '/people', { id, name: 'Short Pin', pin: '2468', code: setter })
    const promote = () => shop.send('PUT', `/members/${id}/role`, { role: 'lead' })
    expect((await promote()).body.error.code).toBe('pin-too-short')
    await shop.send('PUT', `/members/${id}/pin`, { pin: '246824' })
    expect((await promote()).status).toBe(200)
  })
})

describe('whoever is put out', () => {
  test('lets nobody in any more by a code that they had shown', async () => {
    await shop.signInAs('Mira Toller')
    await shop.signInAs('Lead Leaving')
    const codes = [
      (await shop.send('POST', '/join-codes', { role: 'lead' })).body.code,
      (await shop.send('POST', '/join-codes', { role: 'setter' })).body.code,
    ]
    const leaving = (await shop.send('GET', '/session')).body.person.id
    await shop.signInAs('Mira Toller')
    await shop.send('DELETE', `/members/${leaving}`)
    for (const code of codes) {
      const request = { id: uuid(), name: `Let in ${code}`, pin: '246810', code }
      expect((await shop.send('POST', '/people', request)).status).toBe(403)
    }
  })

  test('neither does a lead who is none any more', async () => {
    const lead = await shop.signInAs('Lead Before')
    const { code } = (await shop.send('POST', '/join-codes', { role: 'lead' })).body
    await shop.signInAs('Mira Toller')
    await shop.send('PUT', `/members/${lead}/role`, { role: 'viewer' })
    const request = { id: uuid(), name: 'By a viewer', pin: '246810', code }
    expect((await shop.send('POST', '/people', request)).status).toBe(403)
  })

  test.each([
    ['is removed', (id: string) => shop.send('DELETE', `/members/${id}`)],
    ['gets a new PIN', (id: string) => shop.send('PUT', `/members/${id}/pin`, { pin: '97531' })],
  ])('hears nothing more on a line that stays open when somebody %s', async (what, end) => {
    const id = await shop.signInAs(`Listens ${what}`, '2468', 'setter')
    const answer = await shop.request('GET', '/live')
    const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader()
    let heard = (await reader.read()).value ?? ''
    await shop.signInAs('Mira Toller')
    await end(id)
    const declared = {
      id: uuid(),
      gauge: { id: 'p', kind: 'paper', name: 'paper', size: mm('0.1') },
    }
    for (let times = 0; times < 9; times += 1)
      await shop.send(...declares('gauge', { ...declared, id: uuid() }))
    for (let part = await reader.read(); !part.done; part = await reader.read()) heard += part.value
    expect(heard).not.toContain('event: fact')
  })

  test('signs out everywhere by one press, and only themselves', async () => {
    const api = apiOf(shop)
    const signIn = async (personId: string) =>
      cookieOf(await api.request('/api/session', json({ personId, pin: '2468' })))
    const personId = await shop.signInAs('Many Devices')
    const other = await signIn(await shop.signInAs('Somebody Else'))
    const [phone, tablet] = [await signIn(personId), await signIn(personId)]
    const status = async (Cookie: string) =>
      (await api.request('/api/setups', { headers: { Cookie } })).status
    expect([await status(phone), await status(tablet)]).toEqual([200, 200])
    await api.request('/api/sessions', { method: 'DELETE', headers: { Cookie: phone } })
    expect([await status(phone), await status(tablet), await status(other)]).toEqual([
      401, 401, 200,
    ])
    await shop.signInAs('Mira Toller')
  })
})

describe('a page of another address', () => {
  const api = () => apiOf(shop)
  const write = async (headers: Record<string, string>) => {
    const personId = await shop.signInAs('Mira Toller')
    const Cookie = cookieOf(await api().request('/api/session', json({ personId, pin: '2468' })))
    const body = { role: 'viewer' }
    const answer = await api().request(
      'http://bench:4310/api/join-codes',
      json(body, { Cookie, Host: 'bench:4310', ...headers }),
    )
    return answer.status
  }

  test.each([
    ['no browser', {}, 201],
    ['our own page', { Origin: 'http://bench:4310', 'Sec-Fetch-Site': 'same-origin' }, 201],
    ['our own page in an old browser', { Origin: 'http://bench:4310' }, 201],
    [
      'another port of the same host',
      { Origin: 'http://bench:8080', 'Sec-Fetch-Site': 'same-site' },
      403,
    ],
    ['another port, in an old browser', { Origin: 'http://bench:8080' }, 403],
    ['another scheme', { Origin: 'https://bench:4310' }, 403],
    ['another site', { Origin: 'http://evil.example' }, 403],
    ['a page that hides its address', { Origin: 'null' }, 403],
    ['a browser that tells no origin', { 'Sec-Fetch-Site': 'cross-site' }, 403],
  ])('%s', async (_, headers, status) => expect(await write(headers)).toBe(status))

  test('may not sign anybody in either', async () => {
    const personId = await shop.signInAs('Mira Toller')
    const answer = await api().request(
      'http://bench/api/session',
      json({ personId, pin: '2468' }, { Host: 'bench', Origin: 'http://bench:81' }),
    )
    expect(answer.status).toBe(403)
  })

  test('under TLS finds cookies that no other port of the host can set', async () => {
    const secure = apiOf(shop, { connection: connectionOf(true) })
    const headers = { 'X-Forwarded-Proto': 'https', Host: 'bench' }
    const personId = await shop.signInAs('Mira Toller')
    const answer = await secure.request(
      'http://bench/api/session',
      json({ personId, pin: '2468' }, headers),
    )
    const cookies = answer.headers.getSetCookie()
    expect(cookies).toHaveLength(2)
    for (const cookie of cookies) expect(cookie).toMatch(/^__Host-pine_.*; Path=\/;.*; Secure/)
    const [session = ''] = cookieOf(answer).split('; ')
    const status = async (Cookie: string) =>
      (await secure.request('http://bench/api/setups', { headers: { ...headers, Cookie } })).status
    expect(await status(session)).toBe(200)
    // The same under the name that another port may set is nobody's.
    expect(await status(session.replace('__Host-', ''))).toBe(401)
  })
})

describe('one gate', () => {
  const HALF = String.fromCharCode(0xd83d)
  const deep = `${'['.repeat(5000)}${']'.repeat(5000)}`

  test.each([
    ['Application/JSON'],
    ['application/x+json'],
    ['application/vnd.api+json'],
    ['text/plain'],
    ['application/json; boundary=x'],
    [''],
  ])('a body that says to be “%s” is read by nothing', async (type) => {
    for (const body of ['{"role":"viewer"}', `{"role":"\\u0000"}`, deep]) {
      const answer = await shop.request('POST', '/join-codes', body, type)
      expect([answer.status, ((await answer.json()) as any).error.code]).toEqual([
        415,
        'wrong-type',
      ])
    }
  })

  test('a JSON body is looked at with its charset as well', async () => {
    const ask = (body: string) =>
      shop.request('POST', '/join-codes', body, 'application/json; charset=utf-8')
    expect((await ask('{"role":"viewer"}')).status).toBe(201)
    expect((await ask('{"role":"\\u0000"}')).status).toBe(422)
    expect((await ask(deep)).status).toBe(422)
    expect((await ask('{"role":')).status).toBe(400)
  })

  test.each([
    ['/search?find=%00'],
    ['/search?find=a%00b'],
    ['/search?%00=a'],
    ['/setups?away=%00'],
    ['/tools?find=%00'],
    ['/setups/%00'],
    ['/setups/%ff'],
    ['/gauges/%00/checks'],
  ])('%s is refused in words', async (path) => {
    const { status, body } = await shop.send('GET', path)
    expect([status, body.error.code]).toEqual([422, 'text-not-storable'])
  })

  test('half a character in a query is none', async () => {
    const answer = await shop.request('GET', `/search?find=${encodeURIComponent('a')}%ED%A0%BD`)
    expect(answer.status).toBeLessThan(500)
    expect(HALF).toHaveLength(1)
  })

  test('who is not signed in is told so before what they send is looked at', async () => {
    const api = apiOf(shop)
    for (const body of ['{', deep, 'x'.repeat(2_000_000)])
      expect((await api.request('/api/setups', { method: 'POST', body })).status).toBe(401)
  })
})

describe('over a real line', () => {
  let server: ServerType
  let port: number
  let folder: string
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'pine-door-'))
    writeFileSync(join(folder, 'index.html'), '<title>the page</title>')
    server = serve({
      fetch: createSite(onHosts(shop.api), folder).fetch,
      port: 0,
      hostname: '127.0.0.1',
      serverOptions: { ...PATIENCE, headersTimeout: 600, connectionsCheckingInterval: 100 },
    })
    await new Promise((resolve) => server.once('listening', resolve))
    port = (server.address() as AddressInfo).port
  })
  afterAll(async () => {
    await new Promise((resolve) => server.close(resolve))
    rmSync(folder, { recursive: true })
  })

  const open = (): Promise<Socket> =>
    new Promise((resolve) => {
      const socket = connect(port, '127.0.0.1', () => resolve(socket))
      socket.on('error', () => {})
    })
  const saidUntilEnd = (socket: Socket): Promise<string> =>
    new Promise((resolve) => {
      let said = ''
      socket.on('data', (chunk) => (said += chunk))
      socket.on('close', () => resolve(said))
    })

  test('a stranger who sends 31 MB is answered and hung up on long before', async () => {
    const socket = await open()
    const said = saidUntilEnd(socket)
    const LENGTH = 31 * 1024 * 1024
    socket.write(
      `PUT /api/programs/x/text HTTP/1.1\r\nHost: localhost\r\nContent-Length: ${LENGTH}\r\n\r\n`,
    )
    let sent = 0
    const more = setInterval(() => {
      sent += 64 * 1024
      socket.write(Buffer.alloc(64 * 1024))
    }, 20)
    expect(await said).toMatch(/^HTTP\/1.1 401 /)
    clearInterval(more)
    expect(sent).toBeLessThan(LENGTH / 4)
  })

  test('heads that are never finished are not waited for', async () => {
    const sockets = await Promise.all(Array.from({ length: 50 }, open))
    const ends = sockets.map(saidUntilEnd)
    for (const socket of sockets) socket.write('GET /api/health HTTP/1.1\r\nHost: loc')
    for (const said of await Promise.all(ends)) expect(said).toMatch(/^(HTTP\/1.1 408 |$)/)
    expect(PATIENCE.headersTimeout).toBeLessThanOrEqual(10_000)
  })

  test('no form of ours goes elsewhere, and the page has no other base', async () => {
    const answer = await fetch(`http://127.0.0.1:${port}/`)
    const policy = answer.headers.get('content-security-policy') ?? ''
    expect(policy).toContain("form-action 'self'")
    expect(policy).toContain("base-uri 'none'")
    expect(policy).toContain("object-src 'none'")
  })
})

describe('what is bounded', () => {
  test('right sign-ins of somebody’s own buy no further guesses from their address', async () => {
    const api = apiOf(shop, { connection: connectionOf(true) })
    const own = await shop.signInAs('Own Account', '1357', 'setter')
    const victims = []
    for (let person = 0; person < 12; person += 1)
      victims.push(await shop.signInAs(`Guessed ${person}`, '9999', 'setter'))
    const address = { 'X-Forwarded-For': '10.9.9.9' }
    const sign = async (personId: string, pin: string) =>
      (await api.request('/api/session', json({ personId, pin }, address))).status
    const looked: number[] = []
    for (const id of victims)
      for (let times = 0; times < 4; times += 1) {
        looked.push(await sign(id, '0000'))
        await sign(own, '1357')
      }
    expect(looked).toHaveLength(48)
    expect(looked.filter((status) => status === 401)).toHaveLength(30)
    await shop.signInAs('Mira Toller')
  })

  test('open lines of one session', async () => {
    await shop.signInAs('Many Lines')
    const lines = await Promise.all(Array.from({ length: 14 }, () => shop.request('GET', '/live')))
    expect(lines.filter(({ status }) => status === 200)).toHaveLength(12)
    expect(lines.filter(({ status }) => status === 429)).toHaveLength(2)
    for (const { body, status } of lines) if (status === 200) await body?.cancel()
    // Once they are closed there is room again, a moment later.
    let answer = await shop.request('GET', '/live')
    for (let tries = 0; tries < 200 && answer.status !== 200; tries += 1) {
      await new Promise((resolve) => setTimeout(resolve, 20))
      answer = await shop.request('GET', '/live')
    }
    expect(answer.status).toBe(200)
    await answer.body?.cancel()
  })

  test('lines of a calendar to 75 octets, whatever a gauge is called (RFC 5545, 3.1)', () => {
    const gauge = (name: string) => ({ id: uuid(), gauge: { id: 'g', kind: 'paper', name } })
    const name = 'Höhenmeßgerät für die große Bohrmaschine in der Ecke 測定器測定器測定器測定器'
    const known = gauge(name)
    const standing = { id: known.id, dueOn: '2026-12-01', isSuspect: false }
    const text = dueDates([standing] as never, [known] as never)
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    expect(text.replace(/\r\n /g, '')).toContain(`SUMMARY:Check the ${name}`)
  })
})
