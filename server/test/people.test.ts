import { createHash } from 'node:crypto'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'

let server: Harness
beforeAll(async () => {
  server = await startHarness()
})
afterAll(() => server.close())

const tryPin = (personId: string, pin: string) => server.send('POST', '/session', { personId, pin })

test('without signing in, nothing but the names can be seen', async () => {
  expect(await server.send('GET', '/setups')).toMatchObject({
    status: 401,
    body: { error: { code: 'not-signed-in' } },
  })
  expect((await server.send('GET', '/people')).body).toEqual([])
})

test('the cookie cannot be read by the page nor sent by another site, and ends with signing out', async () => {
  await server.signInAs('Mira Toller')
  const personId = (await server.send('GET', '/people')).body[0].id
  const { headers } = await tryPin(personId, '2468')
  expect(headers.get('set-cookie')).toMatch(/pine_session=.{40,}; .*HttpOnly; SameSite=Strict/)
  expect((await server.send('GET', '/session')).body.person.name).toBe('Mira Toller')
  await server.send('DELETE', '/session')
  expect((await server.send('GET', '/session')).body.person).toBeNull()
  // The cookie itself is worth nothing any more, should somebody have kept it.
  const kept = headers.get('set-cookie')!.split(';')[0]!
  const answer = await server.api.request('/api/setups', { headers: { Cookie: kept } })
  expect(answer.status).toBe(401)
})

test('a session’s token is kept only as its hash: a copy of the database opens none', async () => {
  await server.signInAs('Token Holder')
  const personId = (await server.send('GET', '/people')).body.at(-1).id
  const { headers } = await tryPin(personId, '2468')
  const token = /pine_session=([^;]+)/.exec(headers.get('set-cookie')!)![1]!
  const rows = JSON.stringify(await server.database.query('SELECT * FROM session'))
  expect(rows).not.toContain(token)
  expect(rows).toContain(createHash('sha256').update(token).digest('hex'))
})

test('a session ends by itself after a long shift', async () => {
  await server.signInAs('Night Shift')
  server.passSeconds(13 * 3600)
  expect((await server.send('GET', '/setups')).status).toBe(200)
  server.passSeconds(2 * 3600)
  expect((await server.send('GET', '/setups')).status).toBe(401)
})

test('sessions that ended are removed when the next one begins', async () => {
  await server.signInAs('Morning Shift')
  server.passSeconds(15 * 3600)
  await server.signInAs('Evening Shift')
  expect(await server.database.query('SELECT count(*)::int AS sessions FROM session')).toEqual([
    { sessions: 1 },
  ])
})

test('a name is kept as it is read: one form, one space, nothing unseen, one script', async () => {
  const add = (name: string) => server.send('POST', '/people', { id: uuid(), name, pin: '1111' })
  const ring = await add('  Åse\u00a0 \u00a0Lind ')
  expect(ring).toMatchObject({ status: 201, body: { name: 'Åse Lind' } })
  // The same letters, put together of a letter and its ring: the same name.
  expect((await add('A\u030ase Lind')).status).toBe(409)
  expect((await add('Яна Лесная')).status).toBe(201)
  for (const wrong of ['Mira\u200bToller', 'Mira\u202eToller', 'M\u0456ra Toller', '\u200d'])
    expect(await add(wrong)).toMatchObject({ status: 422, body: { error: { place: 'name' } } })
})

test('the PIN is kept only as an argon2 hash', async () => {
  const rows = await server.database.query('SELECT pin_hash FROM person')
  for (const { pin_hash: pinHash } of rows) expect(pinHash).toMatch(/^\$argon2id\$/)
})

test('five wrong PINs slow down, then twice as long; the right PIN afterwards is welcome', async () => {
  const personId = await server.signInAs('Jory Fenn', '1357')
  for (const left of [4, 3, 2, 1])
    expect((await tryPin(personId, '0000')).body.error.remedy).toContain(`${left} more`)
  expect(await tryPin(personId, '0000')).toMatchObject({
    status: 429,
    body: { error: { code: 'pin-locked' } },
  })
  const early = await tryPin(personId, '1357')
  expect([early.status, early.headers.get('retry-after')]).toEqual([429, '30'])
  server.passSeconds(31)
  expect((await tryPin(personId, '0000')).headers.get('retry-after')).toBe('60')
  server.passSeconds(61)
  expect((await tryPin(personId, '1357')).status).toBe(201)
  expect((await tryPin(personId, '0000')).body.error.remedy).toContain('4 more')
})

test.each([
  ['a name that is taken, in other letters', { name: 'MIRA TOLLER', pin: '1111' }, 409, 'name'],
  ['no name', { name: '  ', pin: '1111' }, 422, 'name'],
  ['a PIN with letters', { name: 'Someone', pin: '12ab' }, 422, 'pin'],
  ['a short PIN', { name: 'Someone', pin: '123' }, 422, 'pin'],
])('%s is refused', async (_, person, status, place) => {
  expect(await server.send('POST', '/people', { id: uuid(), ...person })).toMatchObject({
    status,
    body: { error: { place } },
  })
})
