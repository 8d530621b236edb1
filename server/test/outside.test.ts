import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createServer, request } from 'node:https'
import { serve } from '@hono/node-server'
import { v7 as uuid } from 'uuid'
import { readConfig } from '../src/config'
import { connectionOf } from '../src/http/door/connection'
import { createApi } from '../src/http/api'
import { hostsOf } from '../src/http/door/hosts'
import { createSite } from '../src/http/door/site'
import { LOG_NAME, openLog } from '../src/log'
import { onHosts, startHarness, type Harness } from './harness'

let shop: Harness
let folder: string
beforeAll(async () => {
  shop = await startHarness()
  folder = mkdtempSync(join(tmpdir(), 'pine-outside-'))
  writeFileSync(join(folder, 'index.html'), '<title>the page</title>')
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await shop.close()
})

describe('by which name it is asked', () => {
  const ask = (host: string, hosts = hostsOf(['bench.example'])) =>
    createSite(onHosts(shop.api, hosts), folder).request(`http://${host}/api/health`)

  test('by its own names and the ones that were given, and no other', async () => {
    for (const host of [
      'localhost:4310',
      '127.0.0.1',
      '[::1]:80',
      'bench.example',
      'BENCH.example',
    ])
      expect((await ask(host)).status).toBe(200)
    for (const host of ['elsewhere.example', 'bench.example.evil.example', '8.8.8.8']) {
      const answer = await ask(host)
      expect(answer.status).toBe(421)
      expect(await answer.json()).toMatchObject({ error: { code: 'wrong-host' } })
    }
  })
})

describe('a proxy', () => {
  const signInThrough = async (proxied: boolean, headers: Record<string, string>) => {
    const id = await shop.signInAs('Mira Toller')
    const api = createApi({
      store: shop.store,
      clock: () => new Date('2026-03-02T08:00:00Z'),
      changes: {
        subscribe: () => () => {},
        close: async () => {},
        closed: new AbortController().signal,
      },
      onUnexpected: (cause) => {
        throw cause
      },
      connection: connectionOf(proxied),
    })
    const answer = await api.request('http://localhost/api/session', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...headers },
      body: JSON.stringify({ personId: id, pin: '2468' }),
    })
    return answer.headers.getSetCookie()
  }

  test('that ends the TLS is believed where it is announced: cookies go by TLS alone', async () => {
    const cookies = await signInThrough(true, { 'X-Forwarded-Proto': 'https' })
    expect(cookies).toHaveLength(2)
    for (const cookie of cookies) expect(cookie).toMatch(/; Secure/)
  })

  test('is not believed where nobody announced one', async () => {
    for (const cookie of await signInThrough(false, { 'X-Forwarded-Proto': 'https' }))
      expect(cookie).not.toMatch(/Secure/)
  })

  test('says for whom it asks; of several the last, which it added itself', async () => {
    const address = (proxied: boolean) =>
      connectionOf(proxied).address({
        req: { header: () => '6.6.6.6, 10.0.0.7' },
      } as never)
    expect(address(true)).toBe('10.0.0.7')
    expect(address(false)).toBe('unknown')
  })
})

test('by the certificate that “npm run certificate” makes, a phone that trusts the shop’s authority is answered', async () => {
  const state = join(folder, 's')
  const script = join(__dirname, '../../scripts/certificate.mjs')
  const env = { ...process.env, PINE_STATE: state }
  const said = execFileSync(process.execPath, [script, 'bench.example'], { env, encoding: 'utf8' })
  expect(said).toContain('authority.crt')
  const file = (name: string) => readFileSync(join(`${state}-tls`, name))
  expect(statSync(join(`${state}-tls`, 'authority.key')).mode & 0o077).toBe(0)
  const server = serve({
    fetch: createSite(onHosts(shop.api), folder).fetch,
    port: 0,
    hostname: '127.0.0.1',
    createServer,
    serverOptions: { cert: file('server.crt'), key: file('server.key') },
  })
  await new Promise((resolve) => server.once('listening', resolve))
  const address = server.address()
  const port = typeof address === 'object' && address !== null ? address.port : 0
  const get = (ca: Buffer | undefined, host = 'localhost') =>
    new Promise<number | string>((resolve) => {
      request({ host, port, path: '/api/health', ca, family: 4 }, (answer) =>
        resolve(answer.statusCode ?? 0),
      )
        .on('error', (cause) => resolve((cause as { code?: string }).code ?? ''))
        .end()
    })
  expect(await get(file('authority.crt'))).toBe(200)
  expect(await get(undefined)).toMatch(/UNABLE_TO|SELF_SIGNED/)
  // Made anew, it is by the same authority: no phone is told again.
  const before = file('authority.crt').toString()
  execFileSync(process.execPath, [script], { env })
  expect(file('authority.crt').toString()).toBe(before)
  await new Promise((resolve) => server.close(resolve))
}, 30_000)

test('half a certificate is refused in words', () => {
  const given = { DATABASE_URL: 'postgres://x', PINE_CLIENT: '/x', PINE_CERT: '/c' }
  expect(() => readConfig(given)).toThrow(/PINE_KEY is not set: expected both/)
  expect(readConfig({ ...given, PINE_KEY: '/k' }).tls).toEqual({ cert: '/c', key: '/k' })
})

test('failures go to a file with their number, bounded, and no secret goes with them', async () => {
  const logs = join(folder, 'logs')
  const log = openLog(logs)
  const failure = Object.assign(new Error('it broke'), { parameters: ['4711'], pin: '4711' })
  log.error({ err: failure, requestId: 'abc-1' }, 'unexpected failure')
  await new Promise((resolve) => setTimeout(resolve, 200))
  const text = readFileSync(join(logs, LOG_NAME), 'utf8')
  expect(text).toContain('abc-1')
  expect(text).toContain('it broke')
  expect(text).not.toContain('4711')
  const long = 'x'.repeat(200_000)
  for (let times = 0; times < 150; times += 1) {
    log.error({ long, id: uuid() })
    if (times % 10 === 0) await new Promise((resolve) => setTimeout(resolve, 20))
  }
  await new Promise((resolve) => setTimeout(resolve, 1000))
  const bytes = readdirSync(logs).reduce((sum, name) => sum + statSync(join(logs, name)).size, 0)
  expect(bytes).toBeGreaterThan(5_000_000)
  expect(bytes).toBeLessThan(28_000_000)
}, 30_000)
