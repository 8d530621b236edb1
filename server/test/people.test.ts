import { begins, declares } from './entering'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { parseSetupText } from '@pine/contract'
import { startHarness, type Harness } from './harness'

const parsed = parseSetupText(
  readFileSync(join(__dirname, '../../docs/examples/gauge-line.json'), 'utf8'),
)
const EXAMPLE = parsed.ok ? parsed.file.facts[0]!.body : undefined

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
  const personId = (await server.send('GET', '/session')).body.person.id
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

/** Lets somebody in as people do it: a lead shows a code, the newcomer types it. */
async function joinAs(name: string, role: 'setter' | 'lead' | 'viewer', pin = '2468') {
  const { body: shown } = await server.send('POST', '/join-codes', { role })
  const id = uuid()
  const joined = await server.send('POST', '/people', { id, name, pin, code: shown.code })
  expect(joined.status).toBe(201)
  return id
}
const signIn = async (personId: string, pin = '2468') =>
  expect((await tryPin(personId, pin)).status).toBe(201)

describe('joining', () => {
  test('the first person of an empty product is its lead; of two at once, one is', async () => {
    const shop = await startHarness()
    const first = ['Uma First', 'Ugo First'].map((name) =>
      shop.send('POST', '/people', { id: uuid(), name, pin: '246810' }),
    )
    expect((await Promise.all(first)).map(({ status }) => status).sort()).toEqual([201, 403])
    const [person] = (await shop.send('GET', '/people')).body
    const { body } = await shop.send('POST', '/session', { personId: person.id, pin: '246810' })
    expect(body.person).toEqual({ ...person, role: 'lead' })
    await shop.close()
  })

  test('later ones come by a code that a lead has shown: once, within its hour, in the role that it is for', async () => {
    await server.signInAs('Lena Lead')
    const { status, body: shown } = await server.send('POST', '/join-codes', { role: 'viewer' })
    expect([status, shown.role, shown.code]).toEqual([
      201,
      'viewer',
      expect.stringMatching(/^[A-HJKMNP-Z2-9]{8}$/),
    ])
    const request = { id: uuid(), name: 'Vic Viewer', pin: '2468' }
    const join = (changes: object) => server.send('POST', '/people', { ...request, ...changes })
    expect((await join({})).body.error).toMatchObject({ code: 'code-wrong', place: 'code' })
    expect((await join({ code: 'ABCDEFGH' })).status).toBe(403)
    expect((await join({ code: 'short' })).status).toBe(422)
    // As it is copied by hand: small letters, in two groups.
    const typed = `${shown.code.slice(0, 4)}-${shown.code.slice(4)}`.toLowerCase()
    expect((await join({ code: typed })).status).toBe(201)
    // Sent again because the answer was lost: the same person.
    expect((await join({ code: typed })).status).toBe(201)
    expect((await join({ id: uuid(), name: 'Second', code: typed })).status).toBe(403)
    await signIn(request.id)
    expect((await server.send('GET', '/session')).body.person.role).toBe('viewer')

    await server.signInAs('Lena Lead')
    const late = (await server.send('POST', '/join-codes', { role: 'setter' })).body.code
    server.passSeconds(3601)
    expect((await join({ id: uuid(), name: 'Late', code: late })).status).toBe(403)
    const kept = JSON.stringify(await server.database.query('SELECT * FROM join_code'))
    expect(kept).not.toContain(late)
  })

  test('a name that is taken does not spend the code', async () => {
    await server.signInAs('Lena Lead')
    const { code } = (await server.send('POST', '/join-codes', { role: 'setter' })).body
    const join = (name: string) =>
      server.send('POST', '/people', { id: uuid(), name, pin: '2468', code })
    expect((await join('LENA lead')).body.error).toMatchObject({ place: 'name' })
    expect((await join('Lena Other')).status).toBe(201)
  })

  test('codes are not guessed: ten tries from an address, then a pause', async () => {
    server.passSeconds(16 * 60)
    await server.signInAs('Lena Lead')
    const guess = () =>
      server.send('POST', '/people', { id: uuid(), name: 'Guess', pin: '2468', code: 'AAAAAAAA' })
    const answers = await Promise.all(Array.from({ length: 14 }, guess))
    expect(answers.filter(({ status }) => status === 403)).toHaveLength(10)
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(4)
    server.passSeconds(16 * 60)
  })
})

describe('roles', () => {
  const machine = {
    name: 'Mill 9',
    kind: 'mill',
    control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
  }
  const gauge = { kind: 'paper', name: 'paper', size: { text: '0.09', unit: 'mm' } }
  const bodies = {
    'a machine': () => declares('machine', { id: uuid(), machine }),
    'a gauge': () => {
      const id = uuid()
      return declares('gauge', { id, gauge: { ...gauge, id } })
    },
    'a code': () => ['POST', '/join-codes', { role: 'lead' }] as const,
    members: () => ['GET', '/members'] as const,
    'set-ups': () => ['GET', '/setups'] as const,
  }
  const ask = async (what: keyof typeof bodies) => {
    const { status, body } = await server.send(...(bodies[what]() as [string, string, object?]))
    return status === 403 ? body.error.code : status
  }

  test.each([
    ['a machine', 201, 'not-allowed', 'not-allowed'],
    ['a gauge', 201, 'not-allowed', 'not-allowed'],
    ['a code', 201, 'not-allowed', 'not-allowed'],
    ['members', 200, 'not-allowed', 'not-allowed'],
    ['set-ups', 200, 200, 200],
  ] as const)('%s: a lead %p, a setter %p, a viewer %p', async (what, lead, setter, viewer) => {
    await server.signInAs('Role Lead', '2468', 'lead')
    expect(await ask(what)).toBe(lead)
    await server.signInAs('Role Setter', '2468', 'setter')
    expect(await ask(what)).toBe(setter)
    await server.signInAs('Role Viewer', '2468', 'viewer')
    expect(await ask(what)).toBe(viewer)
  })

  test('a viewer enters nothing: no set-up, no fact, no program', async () => {
    await server.signInAs('Role Viewer', '2468', 'viewer')
    const sheet = { id: uuid(), sheetFactId: uuid(), sheet: EXAMPLE }
    expect((await server.send(...begins(sheet))).body.error.code).toBe('not-allowed')
    const fact = { id: uuid(), kind: 'check-off', body: { of: 'home' } }
    const refused = await server.send('POST', `/streams/setup/${uuid()}/facts`, fact)
    expect(refused.body.error).toMatchObject({
      code: 'not-allowed',
      expected: 'a setter or a lead',
      received: 'Role Viewer, viewer',
    })
    const text = await server.request('PUT', `/programs/${'0'.repeat(64)}/text`, 'G0')
    expect(text.status).toBe(403)
  })

  test('a lead changes them; what was changed, by whom and when stays told', async () => {
    const lead = await server.signInAs('Role Lead', '2468', 'lead')
    const id = await joinAs('Ruth Riser', 'viewer')
    expect((await server.send('PUT', `/members/${id}/role`, { role: 'setter' })).status).toBe(200)
    expect((await server.send('PUT', `/members/${id}/role`, { role: 'chief' })).status).toBe(422)
    expect((await server.send('PUT', '/members/nobody/role', { role: 'lead' })).status).toBe(404)
    const members = (await server.send('GET', '/members')).body
    expect(members.find((one: { id: string }) => one.id === id)).toMatchObject({
      role: 'setter',
      leftAt: null,
      changes: [
        { change: { kind: 'joined', role: 'viewer' }, by: 'Role Lead' },
        { change: { kind: 'role', role: 'setter' }, by: 'Role Lead', at: expect.any(String) },
      ],
    })
    await expect(server.asOwner('DELETE FROM person_change')).rejects.toThrow('written once')
    await signIn(id)
    // Nobody makes themselves a lead.
    expect((await server.send('PUT', `/members/${id}/role`, { role: 'lead' })).status).toBe(403)
    expect((await server.send('PUT', `/members/${lead}/pin`, { pin: '9999' })).status).toBe(403)
  })
})

describe('a person’s place', () => {
  test('a lead gives a new PIN: the old one and what was signed in by it are worth nothing', async () => {
    await server.signInAs('Role Lead', '2468', 'lead')
    const id = await joinAs('Paul Forgot', 'setter', '1111')
    const { headers } = await tryPin(id, '1111')
    const session = headers.get('set-cookie')!.split(';')[0]!
    for (let guess = 0; guess < 5; guess += 1) await tryPin(id, '0000')
    await server.signInAs('Role Lead', '2468', 'lead')
    expect((await server.send('PUT', `/members/${id}/pin`, { pin: '22' })).status).toBe(422)
    expect((await server.send('PUT', `/members/${id}/pin`, { pin: '2222' })).status).toBe(200)
    const before = await server.api.request('/api/setups', { headers: { Cookie: session } })
    expect(before.status).toBe(401)
    expect((await tryPin(id, '1111')).status).toBe(401)
    // The pause of the old one is over too.
    await signIn(id, '2222')
    // And gives themselves another.
    expect((await server.send('PUT', `/members/${id}/pin`, { pin: '3333' })).status).toBe(200)
    await signIn(id, '3333')
  })

  test('who leaves is in no list, signs in no more, and can come back; the last lead stays', async () => {
    const shop = await startHarness()
    const lead = await shop.signInAs('Only Lead')
    await shop.signInAs('Gone Setter', '2468', 'setter')
    const gone = (await shop.send('GET', '/session')).body.person.id
    expect((await shop.send('DELETE', `/members/${gone}`)).status).toBe(200)
    expect((await shop.send('GET', '/setups')).status).toBe(401)
    const again = await shop.send('POST', '/session', { personId: gone, pin: '2468' })
    expect(again.status).toBe(401)
    expect((await shop.send('GET', '/people')).body).toEqual([{ id: lead, name: 'Only Lead' }])
    await shop.signInAs('Only Lead')
    for (const request of [
      shop.send('DELETE', `/members/${lead}`),
      shop.send('PUT', `/members/${lead}/role`, { role: 'viewer' }),
    ])
      expect(await request).toMatchObject({ status: 409, body: { error: { code: 'last-lead' } } })
    expect((await shop.send('POST', `/members/${gone}/back`)).status).toBe(200)
    expect((await shop.send('POST', '/session', { personId: gone, pin: '2468' })).status).toBe(201)
    await shop.close()
  })
})

test('a name is kept as it is read: one form, one space, nothing unseen, one script', async () => {
  await server.signInAs('Lena Lead')
  const add = async (name: string) => {
    const { code } = (await server.send('POST', '/join-codes', { role: 'setter' })).body
    return server.send('POST', '/people', { id: uuid(), name, pin: '1111', code })
  }
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
  expect(rows.length).toBeGreaterThan(1)
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

describe('a stranger who guesses', () => {
  const guess = (personId: string, pin: string, address: string) =>
    server.api.request('/api/session', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-Forwarded-For': address },
      body: JSON.stringify({ personId, pin }),
    })

  test('locks out strangers, not whoever signed in on their own device before', async () => {
    const personId = await server.signInAs('Own Device', '1357')
    for (let times = 0; times < 6; times += 1) await guess(personId, '0000', '10.0.0.1')
    expect((await guess(personId, '1357', '10.0.0.2')).status).toBe(429)
    // This device has a cookie of the sign-in before.
    await signIn(personId, '1357')
  })

  test('is a stranger on a device where somebody else signed in, and gets no new tries with each such device', async () => {
    const walker = await server.signInAs('Walking Device', '1357')
    const personId = await server.signInAs('Other Name', '1357')
    /** A device on which another person signed in: its cookie is real, and not this name’s. */
    const strangeDevice = async () => {
      const signedIn = await guess(walker, '1357', '10.0.0.3')
      expect(signedIn.status).toBe(201)
      const Cookie = signedIn.headers
        .getSetCookie()
        .flatMap((set) => /^pine_device=[^;]*/.exec(set) ?? [])
        .join()
      expect(Cookie).not.toBe('')
      return (pin: string) =>
        server.api.request('/api/session', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', Cookie },
          body: JSON.stringify({ personId, pin }),
        })
    }
    const first = await strangeDevice()
    for (let times = 0; times < 5; times += 1) await first('0000')
    const second = await strangeDevice()
    expect((await second('1357')).status).toBe(429)
    server.passSeconds(16 * 60)
  })

  test('walks through the names only so far from one address', async () => {
    const ids = []
    for (let person = 0; person < 8; person += 1)
      ids.push(await server.signInAs(`Walked ${person}`, '1357'))
    server.passSeconds(16 * 60)
    const statuses = []
    for (const id of ids)
      for (let times = 0; times < 4; times += 1)
        statuses.push((await guess(id, '0000', '10.0.0.9')).status)
    expect(statuses.filter((status) => status === 401)).toHaveLength(30)
    expect(statuses.slice(-2)).toEqual([429, 429])
    server.passSeconds(16 * 60)
  })
})

test('whom nobody has let in yet sends little', async () => {
  const long = { id: uuid(), name: 'x'.repeat(3000), pin: '2468' }
  expect((await server.send('POST', '/people', long)).status).toBe(413)
})

test.each([
  ['no name', { name: '  ', pin: '1111' }, 422, 'name'],
  ['a PIN with letters', { name: 'Someone', pin: '12ab' }, 422, 'pin'],
  ['a short PIN', { name: 'Someone', pin: '123' }, 422, 'pin'],
])('%s is refused', async (_, person, status, place) => {
  expect(await server.send('POST', '/people', { id: uuid(), ...person })).toMatchObject({
    status,
    body: { error: { place } },
  })
})

test('a lead puts a set-up away and takes it out; what anybody enters brings it back', async () => {
  const id = uuid()
  await server.signInAs('Put Setter', '2468', 'setter')
  await server.send(...begins({ id, sheetFactId: uuid(), sheet: EXAMPLE }))
  const enter = (kind: string, body: object) =>
    server.send('POST', `/streams/setup/${id}/facts`, { id: uuid(), kind, body })
  const where = async () => {
    const lists = await Promise.all(
      ['', '?away=1'].map(
        async (query) => (await server.send('GET', `/setups${query}`)).body.setups,
      ),
    )
    return lists.map((list: any[]) => list.find((one) => one.id === id))
  }
  expect((await enter('put-away', { moves: 'away' })).body.error).toMatchObject({
    code: 'not-allowed',
    expected: 'a lead',
  })
  await server.signInAs('Put Lead', '2468', 'lead')
  expect((await enter('put-away', { moves: 'off' })).status).toBe(422)
  expect((await enter('put-away', { moves: 'away' })).status).toBe(201)
  expect(await where()).toEqual([
    undefined,
    expect.objectContaining({ away: expect.objectContaining({ by: 'Put Lead' }) }),
  ])
  await enter('put-away', { moves: 'back' })
  expect(await where()).toEqual([expect.objectContaining({ away: null }), undefined])
  await enter('put-away', { moves: 'away' })
  await server.signInAs('Put Setter', '2468', 'setter')
  await enter('check-off', { of: 'clean' })
  expect(await where()).toEqual([expect.objectContaining({ away: null }), undefined])
})
