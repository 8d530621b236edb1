import { v7 as uuid } from 'uuid'
import { TOKEN_PREFIX } from '@pine/contract'
import { startHarness, type Harness } from './harness'

let server: Harness
beforeAll(async () => {
  server = await startHarness()
})
afterAll(() => server.close())
beforeEach(() => server.signInAs('Mira Toller'))

interface Made {
  readonly id: string
  readonly token: string
}

let made = 0
/** A token that a lead makes; a name can be taken once. */
async function makeToken(role: 'viewer' | 'setter' = 'setter', days = 30): Promise<Made> {
  const program = { id: uuid(), name: `Planning ${(made += 1)}`, role }
  const { status, body } = await server.send('POST', '/tokens', { ...program, days })
  expect({ status, body }).toMatchObject({ status: 201, body: program })
  expect(body.token).toMatch(new RegExp(`^${TOKEN_PREFIX}[\\w-]{43}$`))
  return body
}

/** A request with a token and no cookie, as a program sends it. */
const as = (token: string, method: string, path: string, body?: object) =>
  server.api.request(`/api${path}`, {
    method,
    headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })

const SETTER = { id: 'setter', kind: 'height-setter', name: '50 mm setter' }
const gauge = () => ({
  id: uuid(),
  kind: 'gauge',
  body: { ...SETTER, size: { text: '50.000', unit: 'mm' } },
})
const note = { id: uuid(), kind: 'note', body: { text: 'pallet 3' } }

test('a program with a token is in the shop under its own name, with its role, and no more', async () => {
  const { id, token } = await makeToken('setter')
  expect(await (await as(token, 'GET', '/session')).json()).toEqual({
    person: { id, name: `Planning ${made}`, role: 'setter' },
  })
  expect((await as(token, 'GET', '/setups')).status).toBe(200)
  // What a lead does is no program's.
  for (const [method, path, body] of [
    ['POST', `/streams/gauge/${uuid()}/facts`, gauge()],
    ['POST', '/join-codes', { role: 'lead' }],
    ['POST', '/tokens', { id: uuid(), name: 'Another', role: 'setter', days: 1 }],
    ['GET', '/members', undefined],
  ] as const)
    expect([path, (await as(token, method, path, body)).status]).toEqual([path, 403])
})

test('a viewer’s token reads and writes nothing', async () => {
  const { token } = await makeToken('viewer')
  expect((await as(token, 'GET', '/tools')).status).toBe(200)
  const refused = await as(token, 'POST', `/streams/setup/${uuid()}/facts`, note)
  expect([403, 404]).toContain(refused.status)
})

test('its token is kept as a hash alone, ends by itself to the day, and at once when a lead ends it', async () => {
  const [short, long] = [await makeToken('viewer', 1), await makeToken('viewer', 366)]
  const rows = JSON.stringify(await server.database.query('SELECT * FROM session'))
  expect(rows).not.toContain(short.token)
  const status = async (token: string) => (await as(token, 'GET', '/setups')).status
  expect([await status(short.token), await status(long.token)]).toEqual([200, 200])
  server.passSeconds(86_400 - 1)
  expect(await status(short.token)).toBe(200)
  server.passSeconds(1)
  expect([await status(short.token), await status(long.token)]).toEqual([401, 200])
  await server.signInAs('Mira Toller')
  expect((await server.send('DELETE', `/members/${long.id}`)).status).toBe(200)
  expect(await status(long.token)).toBe(401)
})

test('nobody signs in as a program, and it becomes neither a lead nor anything with a PIN', async () => {
  const { id, token } = await makeToken()
  const names = (await server.send('GET', '/people')).body as readonly { readonly id: string }[]
  expect(names.map((one) => one.id)).not.toContain(id)
  expect(await server.send('POST', '/session', { personId: id, pin: '2468' })).toMatchObject({
    status: 401,
    body: { error: { code: 'pin-wrong' } },
  })
  const refused = { status: 403, body: { error: { code: 'not-allowed' } } }
  const put = (what: string, body: object) => server.send('PUT', `/members/${id}/${what}`, body)
  expect(await put('role', { role: 'lead' })).toMatchObject(refused)
  expect(await put('pin', { pin: '123456' })).toMatchObject(refused)
  expect((await as(token, 'PUT', `/members/${id}/pin`, { pin: '123456' })).status).toBe(403)
  await server.send('DELETE', `/members/${id}`)
  expect(await server.send('POST', `/members/${id}/back`)).toMatchObject(refused)
})

test('a lead sees which programs are let in and until when; a name is taken once', async () => {
  const { id } = await makeToken('viewer', 2)
  const { body: members } = await server.send('GET', '/members')
  const shown = members.find((one: { readonly id: string }) => one.id === id)
  expect(shown).toMatchObject({
    role: 'viewer',
    program: { until: expect.stringMatching(/^20\d\d-/) },
    changes: [{ change: { kind: 'joined', role: 'viewer' }, by: 'Mira Toller' }],
  })
  expect(
    members.find((one: { readonly name: string }) => one.name === 'Mira Toller'),
  ).not.toHaveProperty('program')
  const taken = { id: uuid(), name: shown.name, role: 'viewer', days: 1 }
  expect(await server.send('POST', '/tokens', taken)).toMatchObject({
    body: { error: { code: 'name-already-used' } },
  })
})

test.each([
  ['a lead’s', { role: 'lead' }],
  ['for ever', { days: 367 }],
  ['for no day', { days: 0 }],
  ['without a name', { name: ' ' }],
])('a token %s is refused', async (_, wrong) => {
  const request = { id: uuid(), name: 'Planning', role: 'viewer', days: 30, ...wrong }
  expect((await server.send('POST', '/tokens', request)).status).toBe(422)
})

test('a token of another kind, or none, is nobody', async () => {
  const { token } = await makeToken()
  for (const wrong of [token.slice(0, -1), `${TOKEN_PREFIX}`, 'Bearer', token.replace('_', '-')])
    expect((await as(wrong, 'GET', '/setups')).status).toBe(401)
})
