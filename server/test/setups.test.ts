import { begins, declares } from './entering'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { FACT_KINDS } from '@pine/contract'
import { foldSetup, isReleased, type SetupFile } from '@pine/core/facts'
import { STREAM_KINDS, VIAS } from '@pine/core/journal'
import { readProgram } from '@pine/core/program'
import { type SetupSheet } from '@pine/core/sheet'
import { contentHash } from '../src/use-cases/canonical'
import { setupsOf } from '../src/use-cases/setups/setups'
import { startHarness, type Harness } from './harness'

/** The sheet and the readings of an example file. */
function example(file: string) {
  const { facts } = JSON.parse(
    readFileSync(join(__dirname, '../../docs/examples', file), 'utf8'),
  ) as SetupFile
  return {
    sheet: facts[0]!.body as SetupSheet,
    readings: facts.flatMap((fact) => (fact.kind === 'reading' ? [fact.body] : [])),
  }
}

let server: Harness
let mira: string
beforeAll(async () => {
  server = await startHarness()
  mira = await server.signInAs('Mira Toller')
})
afterAll(() => server.close())

/** A set-up with the sheet and all readings of an example file. */
async function makeSetup(file = 'setting-plane.json') {
  const { sheet, readings } = example(file)
  const id = uuid()
  await server.send(...begins({ id, sheetFactId: uuid(), sheet }))
  for (const reading of readings) await addFact(id, 'reading', reading)
  return id
}

/** A set-up as its facts tell it, with what the server works out of them. */
async function opened(id: string) {
  const { file } = (await server.send('GET', `/setups/${id}`)).body as { file: SetupFile }
  const { body: solution } = await server.send('GET', `/setups/${id}/solution`)
  const document = foldSetup(file)
  return { document, solution, released: isReleased(document) }
}

/** Sends a fact; what is answered, and the set-up after it where it was taken. */
async function addFact(setupId: string, kind: string, body: unknown, id = uuid()) {
  const answer = await server.send('POST', `/streams/setup/${setupId}/facts`, { id, kind, body })
  return answer.status === 201
    ? { ...answer, body: { ...answer.body, ...(await opened(setupId)) } }
    : answer
}

/** Shows every register as it should be. */
async function keyEverything(id: string) {
  const body = await opened(id)
  for (const [address, text] of Object.entries(valuesOf(body)))
    await addFact(id, 'read-back', { address, moment: 'after', shown: { text, unit: 'mm' } })
}

const summaryOf = async (id: string) =>
  ((await server.send('GET', '/setups?most=2000')).body.setups as { id: string }[]).find(
    (one) => one.id === id,
  )

/** Proves the one tool and does what reads no number. */
async function seeToEverything(id: string) {
  for (const check of ['home', 'clean', 'gauges', 'holding'])
    await addFact(id, 'check-off', { of: check })
  await addFact(id, 'proof', proof('25.00'))
  await addFact(id, 'check-off', { of: 'air-cut', how: 'graphics' })
  await addFact(id, 'check-off', { of: 'first-part', measured: [] })
}

const proof = (gap: string) => ({
  row: 'G54',
  tool: 1,
  clearance: { text: '25', unit: 'mm' },
  gap: { text: gap, unit: 'mm' },
  overZero: true,
})

const valuesOf = (body: { solution: { registers: { address: string; value: string }[] } }) =>
  Object.fromEntries(body.solution.registers.map(({ address, value }) => [address, value]))

test('readings sent one by one give the worked numbers, and carry the person and the time', async () => {
  const body = await opened(await makeSetup())
  expect(valuesOf(body)).toEqual({
    H1: '-270.000',
    'G54.X': '-347.300',
    'G54.Y': '-250.000',
    'G54.Z': '-30.000',
  })
  expect(body.document.readings[0]).toMatchObject({
    by: { id: mira, name: 'Mira Toller' },
    at: '2026-03-02T08:00:00.000Z',
    via: 'typed',
    place: 1,
    read: { text: '-300.000', unit: 'mm' },
  })
})

test('a repeated request is the same fact, not a second one', async () => {
  const id = await makeSetup()
  const factId = uuid()
  const reading = {
    of: 'face',
    row: 'G54',
    face: 'left',
    read: { text: '-412.302', unit: 'mm' },
    with: ['finder'],
  }
  const first = await addFact(id, 'reading', reading, factId)
  const second = await addFact(id, 'reading', reading, factId)
  expect([first.status, second.status]).toEqual([201, 201])
  expect(second.body.document.readings).toHaveLength(6)
})

test('the same id for another content is refused', async () => {
  const id = await makeSetup()
  const factId = uuid()
  await addFact(
    id,
    'read-back',
    { address: 'H1', moment: 'after', shown: { text: '1.0', unit: 'mm' } },
    factId,
  )
  const other = await addFact(
    id,
    'read-back',
    { address: 'H1', moment: 'after', shown: { text: '2.0', unit: 'mm' } },
    factId,
  )
  expect(other).toMatchObject({ status: 409, body: { error: { code: 'id-already-used' } } })
})

test('ten requests at once are ten facts, and one repeated ten times is one', async () => {
  const id = await makeSetup()
  const body = (text: string) => ({ address: 'H1', moment: 'after', shown: { text, unit: 'mm' } })
  await Promise.all(Array.from({ length: 10 }, (_, n) => addFact(id, 'read-back', body(`${n}.0`))))
  const factId = uuid()
  await Promise.all(
    Array.from({ length: 10 }, () => addFact(id, 'read-back', body('99.0'), factId)),
  )
  const answer = await opened(id)
  expect(answer.document.readBacks).toHaveLength(11)
})

test('the database itself refuses to change or remove a fact', async () => {
  const id = await makeSetup()
  for (const statement of [
    `UPDATE fact SET body = '{}' WHERE stream_id = '${id}'`,
    `DELETE FROM fact WHERE stream_id = '${id}'`,
    'TRUNCATE fact',
    `DELETE FROM stream WHERE id = '${id}'`,
    'DELETE FROM frozen',
  ]) {
    // The server has not the right to; and whoever has it meets the trigger.
    await expect(server.database.query(statement)).rejects.toThrow('permission denied')
    await expect(server.asOwner(statement)).rejects.toThrow(/written once|cannot truncate/)
  }
  const body = await opened(id)
  expect(body.document.readings).toHaveLength(5)
})

describe('record', () => {
  test('is refused while steps are open, and names them', async () => {
    const answer = await addFact(await makeSetup(), 'record', {})
    expect(answer).toMatchObject({
      status: 409,
      body: {
        error: {
          code: 'steps-open',
          message: expect.stringContaining('H1, G54 X, G54 Y, G54 Z'),
        },
      },
    })
  })

  test('is refused of a quick one that has all its numbers: what comes before a cut was not asked', async () => {
    const { sheet, readings } = example('setting-plane.json')
    const id = uuid()
    await server.send(
      ...begins({
        id,
        sheetFactId: uuid(),
        sheet: { ...sheet, quick: 'row' },
      }),
    )
    for (const reading of readings) await addFact(id, 'reading', reading)
    await addFact(id, 'check-off', { of: 'home' })
    await keyEverything(id)
    const answer = await addFact(id, 'record', {})
    expect(answer).toMatchObject({ status: 409, body: { error: { code: 'steps-open' } } })
    expect(answer.body.error.message).toMatch(/G54 with T1/)
  })

  test('freezes the document with its solution and a hash that still fits after it was stored', async () => {
    const id = await makeSetup()
    const body = await opened(id)
    await keyEverything(id)
    await seeToEverything(id)
    const recorded = await addFact(id, 'record', {})
    expect(recorded.status).toBe(201)
    const { document } = await opened(id)
    const { id: recordId, place, hash } = document.records[0]!
    const record = async () => (await server.send('GET', `/setups/${id}/records/${recordId}`)).body
    const [{ content }] = await server.database.query(
      `SELECT content FROM frozen WHERE fact_id = '${recordId}'`,
    )
    expect(content.facts).toHaveLength(place)
    expect(hash).toBe(contentHash(content))
    expect(await record()).toMatchObject({
      by: 'Mira Toller',
      hash,
      readings: 5,
      keyIns: 0,
      altered: false,
    })
    expect(valuesOf(await record())).toEqual(valuesOf(body))
    expect(await summaryOf(id)).toMatchObject({
      recorded: true,
      nextStation: null,
      changedBy: 'Mira Toller',
    })

    // Work that goes on afterwards leaves the record as it was.
    await addFact(id, 'reading', {
      of: 'face',
      row: 'G54',
      face: 'left',
      read: { text: '-400.000', unit: 'mm' },
      with: ['finder'],
    })
    const after = await opened(id)
    // It is no longer what was released, and can be released anew once it is whole again: two touches that lie apart, neither counts.
    expect([recorded.body.released, after.released]).toEqual([true, false])
    expect(await summaryOf(id)).toMatchObject({ recorded: true, nextStation: 'plan' })
    expect(valuesOf(after)['G54.X']).not.toBe('-347.300')
    expect(valuesOf(await record())['G54.X']).toBe('-347.300')

    // Somebody with the keys of the database turns a sign: it is shown, and shown to be altered.
    await server.asOwner('ALTER TABLE frozen DISABLE TRIGGER USER')
    await server.asOwner(
      `UPDATE frozen SET content = replace(content::text, '-347.300', '347.300')::jsonb WHERE fact_id = '${recordId}'`,
    )
    await server.asOwner('ALTER TABLE frozen ENABLE TRIGGER USER')
    expect(await record()).toMatchObject({ hash, altered: true })
    expect(valuesOf(await record())['G54.X']).toBe('347.300')
  })
})

describe('the whole run', () => {
  const open = async (id: string): Promise<string[]> => (await opened(id)).solution.missing

  test('an event stands after the readings and read-backs that were there, whoever counts', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    const { body, status } = await addFact(id, 'event', { kind: 'tool-changed', tool: 1 })
    expect(status).toBe(201)
    // The sheet, five readings, four read-backs, and then the event.
    expect(body.document.events).toMatchObject([{ place: 10, by: { name: 'Mira Toller' } }])
    const states = Object.fromEntries(
      body.solution.registers.map((one: { address: string; state: string }) => [
        one.address,
        one.state,
      ]),
    )
    expect(states).toMatchObject({ H1: 'stale', 'G54.X': 'keyed', 'G54.Z': 'keyed' })
    const placed = { kind: 'tool-changed', tool: 1, place: 0 }
    expect((await addFact(id, 'event', placed)).status).toBe(422)
  })

  test('a failed proof proves nothing, a right one does, and keying again ends it', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    const failed = await addFact(id, 'proof', proof('75.00'))
    expect(failed.body.solution.proofs).toEqual([
      { row: 'G54', tool: 1, right: false, says: expect.stringContaining('50.000 mm too high') },
    ])
    expect(failed.body.solution.registers[0].state).toBe('keyed')
    expect((await addFact(id, 'proof', proof('25.00'))).body.solution.registers[0].state).toBe(
      'proven',
    )
    // Looked at again it is still what was proven; keyed again it is another number, though it be the same.
    await keyEverything(id)
    expect((await opened(id)).solution.registers[0].state).toBe('proven')
    const typed = { text: '-270.000', unit: 'mm' }
    const keyed = await addFact(id, 'key-in', { address: 'H1', mode: 'set', typed })
    expect(keyed.body.solution.registers[0].state).toBe('keyed')
  })

  test('a proof that nobody made, and one that did not stand over zero, hold the release up', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    for (const check of ['home', 'clean', 'gauges', 'holding'])
      await addFact(id, 'check-off', { of: check })
    await addFact(id, 'check-off', { of: 'air-cut', how: 'graphics' })
    await addFact(id, 'check-off', { of: 'first-part', measured: [] })
    const release = async () => (await addFact(id, 'record', {})).body.error?.received ?? 'released'
    expect(await release()).toBe('prove:G54:T1 not-read')
    const answer = await addFact(id, 'proof', { ...proof('25.00'), overZero: false })
    expect(answer.body.document.proofs).toMatchObject([{ overZero: false }])
    expect(answer.body.solution.proofs).toMatchObject([{ right: false }])
    expect(await release()).toBe('prove:G54:T1 not-read')
    await addFact(id, 'proof', proof('25.00'))
    expect(await release()).toBe('released')
  })

  test('a read-back is after the readings that were there: one that comes later makes no slip of it', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    const again = {
      of: 'tip-on-plane',
      tool: 1,
      read: { text: '-215.000', unit: 'mm' },
      with: ['setter'],
    }
    await addFact(id, 'event', { kind: 'tool-changed', tool: 1 })
    const { body } = await addFact(id, 'reading', again)
    expect(body.document.readBacks[0].place).toBe(6)
    expect(body.solution.registers[0]).toMatchObject({
      address: 'H1',
      state: 'read',
      readBack: null,
    })
    expect(body.solution.registers[0].keyIn).toMatchObject({ type: '-265.000', before: '-270.000' })
  })

  test('a lift that is in holds the release up', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    await seeToEverything(id)
    const lift = { where: 'external-offset', amount: { text: '30', unit: 'mm' } }
    await addFact(id, 'lift', { ...lift, moves: 'in' })
    expect(await addFact(id, 'record', {})).toMatchObject({
      status: 409,
      body: { error: { code: 'steps-open', message: 'Dry run is still open.' } },
    })
    await addFact(id, 'lift', { ...lift, moves: 'out' })
    expect((await addFact(id, 'record', {})).status).toBe(201)
  })

  test('a machine that asks for a second look is not released by the one who keyed', async () => {
    const { sheet, readings } = example('setting-plane.json')
    const id = uuid()
    const machine = { ...sheet.machine, policy: { secondLook: true } }
    await server.send(...begins({ id, sheetFactId: uuid(), sheet: { ...sheet, machine } }))
    for (const reading of readings) await addFact(id, 'reading', reading)
    await addFact(id, 'key-in', {
      address: 'H1',
      mode: 'set',
      typed: { text: '-270.000', unit: 'mm' },
    })
    await keyEverything(id)
    await seeToEverything(id)
    await addFact(id, 'check-off', { of: 'look' })
    expect(await open(id)).toEqual(['look', 'record'])
    await server.signInAs('Jory Fenn')
    await addFact(id, 'check-off', { of: 'look' })
    expect(await open(id)).toEqual(['record'])
    await server.signInAs('Mira Toller')
    expect((await addFact(id, 'record', {})).status).toBe(201)
  })

  test('a number older than the shop allows is stale, by the server’s clock', async () => {
    const { sheet, readings } = example('setting-plane.json')
    const id = uuid()
    const machine = { ...sheet.machine, policy: { maxAgeDays: 1 } }
    await server.send(...begins({ id, sheetFactId: uuid(), sheet: { ...sheet, machine } }))
    for (const reading of readings) await addFact(id, 'reading', reading)
    const before = (await opened(id)).solution.registers[0]
    server.passSeconds(2 * 86_400)
    await server.signInAs('Mira Toller')
    const after = (await opened(id)).solution.registers[0]
    expect([before.state, after.state]).toEqual(['read', 'stale'])
    expect(after.stale).toContain('more than 1 day ago')
    // Everything else is done; the age alone holds the release up.
    await keyEverything(id)
    await seeToEverything(id)
    expect((await addFact(id, 'record', {})).body.error?.received).toContain(
      'tip-on-plane:T1 stale',
    )
    const accepted = await addFact(id, 'acceptance', {
      address: 'H1',
      accepts: 'age',
      reason: 'not touched since',
    })
    expect(accepted.body.solution.registers[0]).toMatchObject({
      state: 'proven',
      accepted: { by: 'Mira Toller', reason: 'not touched since' },
    })
  })
})

describe('bad input', () => {
  const face = (text: string, changes = {}) => ({
    of: 'face',
    row: 'G54',
    face: 'left',
    read: { text, unit: 'mm' },
    with: ['finder'],
    ...changes,
  })

  test.each([
    ['', 'length-empty'],
    ['words', 'length-not-a-number'],
    ['1.2.3', 'length-two-points'],
    ['1e9', 'length-exponent'],
    ['10,5', 'length-comma'],
  ])('a reading of %j is refused as %s, and nothing is written', async (text, code) => {
    const id = await makeSetup()
    const answer = await addFact(id, 'reading', face(text))
    expect(answer).toMatchObject({
      status: 422,
      body: {
        error: {
          code,
          place: 'body.read',
          message: expect.any(String),
          expected: expect.any(String),
          remedy: expect.any(String),
        },
      },
    })
    expect((await opened(id)).document.readings).toHaveLength(5)
  })

  test.each([
    ['a wrong unit', face('1', { read: { text: '1', unit: 'cm' } }), 'body.read.unit'],
    ['an unknown face', face('1', { face: 'top' }), 'body.face'],
    ['an unknown gauge', face('1', { with: ['nothing'] }), 'body.with.0'],
    ['an unknown row', face('1', { row: 'G55' }), 'body.row'],
    [
      'an unknown tool',
      { of: 'tip-on-plane', tool: 9, read: { text: '1', unit: 'mm' }, with: [] },
      'body.tool',
    ],
  ])('%s is told at its place', async (_, reading, place) => {
    const answer = await addFact(await makeSetup(), 'reading', reading)
    expect(answer.status).toBe(422)
    expect(answer.body.error.problems.map((problem: { place: string }) => problem.place)).toContain(
      place,
    )
  })

  test('an unknown axis in a read-back', async () => {
    const answer = await addFact(await makeSetup(), 'read-back', {
      address: 'G54.W',
      moment: 'after',
      shown: { text: '1', unit: 'mm' },
    })
    expect(answer).toMatchObject({
      status: 422,
      body: { error: { place: 'body.address', received: 'G54.W' } },
    })
  })

  test('a negative gauge', async () => {
    const gauge = {
      id: 'x',
      kind: 'height-setter',
      name: 'setter',
      size: { text: '-50', unit: 'mm' },
    }
    expect(await server.send(...declares('gauge', { id: uuid(), gauge }))).toMatchObject({
      status: 422,
      body: { error: { code: 'length-negative', place: 'body.size' } },
    })
  })

  test('a sheet that drops a gauge which was used', async () => {
    const sheet = example('setting-plane.json').sheet
    const answer = await addFact(await makeSetup(), 'sheet', {
      ...sheet,
      gauges: sheet.gauges.slice(1),
    })
    expect(answer).toMatchObject({
      status: 422,
      body: { error: { code: 'reference-unknown', received: 'setter' } },
    })
  })

  test('a 10 MB body', async () => {
    expect(
      await server.send('POST', `/streams/setup/${uuid()}/facts`, 'x'.repeat(10 * 1024 * 1024)),
    ).toMatchObject({
      status: 413,
      body: { error: { code: 'body-too-large' } },
    })
  })

  test.each(['{', 'null', '[]', '"text"', '{"id":1}'])(
    'JSON that is not the contract: %s',
    async (body) => {
      const answer = await server.send('POST', `/streams/setup/${uuid()}/facts`, body)
      expect([400, 422]).toContain(answer.status)
      expect(answer.body.error.remedy).toMatch(/./)
    },
  )

  test.each(['/setups/nothing', `/setups/${uuid()}`, '/nowhere'])(
    '%s is not found, in words',
    async (path) => {
      expect(await server.send('GET', path)).toMatchObject({
        status: 404,
        body: { error: { code: 'not-found' } },
      })
    },
  )
})

test('machines and gauges of the shop are kept', async () => {
  const { machine, gauges } = example('setting-plane.json').sheet
  const machineEntry = { id: uuid(), machine }
  const id = uuid()
  const gaugeEntry = { id, gauge: { ...gauges[0]!, id } }
  for (const [path, entry, sent] of [
    ['/machines', machineEntry, declares('machine', machineEntry)],
    ['/gauges', gaugeEntry, declares('gauge', gaugeEntry)],
  ] as const) {
    expect((await server.send(...sent)).status).toBe(201)
    expect((await server.send(...sent)).status).toBe(201)
    expect((await server.send('GET', path)).body).toEqual([entry])
  }
})

describe('streams', () => {
  test('a fact is answered with what the sender does not know yet, and with nothing else', async () => {
    const id = await makeSetup()
    const seen = { of: 'home' }
    const send = (known: string) =>
      server.send('POST', `/streams/setup/${id}/facts?known=${known}`, {
        id: uuid(),
        kind: 'check-off',
        body: seen,
      })
    const answer = await send('4')
    expect(answer.body).toMatchObject({
      from: 4,
      facts: [{ kind: 'reading' }, { kind: 'reading' }, { kind: 'check-off' }],
    })
    expect((await send('7')).body).toMatchObject({ from: 7, facts: [{ body: seen }] })
    expect(await send('-1')).toMatchObject({ status: 422, body: { error: { place: 'known' } } })
  })

  test('how a fact came is kept', async () => {
    const id = await makeSetup()
    const fact = { id: uuid(), kind: 'check-off', via: 'captured', body: { of: 'home' } }
    await server.send('POST', `/streams/setup/${id}/facts`, fact)
    expect((await opened(id)).document.checkOffs[0]?.via).toBe('captured')
    const wrong = { ...fact, id: uuid(), via: 'guessed' }
    expect((await server.send('POST', `/streams/setup/${id}/facts`, wrong)).status).toBe(422)
  })

  test('the database knows just the kinds of streams and facts that the contract knows', async () => {
    const known = async (constraint: string) => {
      const [row] = await server.database.query(
        `SELECT pg_get_constraintdef(oid) AS text FROM pg_constraint WHERE conname = '${constraint}'`,
      )
      return [...(row.text as string).matchAll(/'([a-z-]+)'/g)].map(([, name]) => name).sort()
    }
    expect(await known('fact_kind_known')).toEqual([...FACT_KINDS].sort())
    expect(await known('stream_kind_known')).toEqual([...STREAM_KINDS].sort())
    expect(await known('fact_via_known')).toEqual([...VIAS].sort())
  })

  test('every key of what belongs to a shop begins with the shop', async () => {
    const rows: { table: string; first: string }[] = await server.database.query(`
      SELECT c.conrelid::regclass::text AS table, a.attname AS first
      FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
      WHERE c.contype IN ('p', 'u') AND c.connamespace = 'public'::regnamespace`)
    const global = ['person', 'person_change', 'session', 'shop', 'migrations']
    // Of people by an id of their own, of what is looked up by a secret alone, and of which host is whose.
    global.push('join_code', 'known_device', 'secret_try', 'shop_host')
    const others = rows.filter(({ table }) => !global.includes(table))
    expect(new Set(others.map(({ table }) => table))).toEqual(
      new Set(['stream', 'fact', 'summary', 'frozen', 'program_text', 'tool_now', 'tool_use']),
    )
    expect(others.filter(({ first }) => first !== 'shop_id')).toEqual([])
    expect((await server.send('GET', '/shop')).body).toEqual({
      id: expect.any(String),
      name: 'Workshop',
    })
  })

  test('a process that was not there when facts came reads them from their place on', async () => {
    const id = await makeSetup()
    await opened(id)
    // Written by another process: this one's memory of the set-up ends before it.
    const other = setupsOf(server.store, () => new Date('2026-03-02T09:00:00Z'))
    const person = { id: mira, name: 'Mira Toller', role: 'setter' } as const
    const seen = { id: uuid(), kind: 'check-off', body: { of: 'home' } } as const
    expect(await other.add(person, id, seen)).toMatchObject({ ok: true, value: { from: 6 } })
    expect((await opened(id)).document.checkOffs).toHaveLength(1)
    const next = await addFact(id, 'check-off', { of: 'clean' })
    expect(next.body.document.checkOffs).toHaveLength(2)
    expect(await other.open(id)).toMatchObject({ value: { file: { facts: { length: 8 } } } })
  })
})

describe('the list', () => {
  const everything = { away: false, words: [], most: 1000 }
  const kept = async (id: string) =>
    JSON.parse((await server.store.listed(everything, '2026-01-01')).json).find(
      (summary: { id: string }) => summary.id === id,
    )

  test('tells of a number that has grown too old though nothing was entered, and works it out once', async () => {
    const { sheet, readings } = example('setting-plane.json')
    const id = uuid()
    const machine = { ...sheet.machine, policy: { maxAgeDays: 1 } }
    await server.send(...begins({ id, sheetFactId: uuid(), sheet: { ...sheet, machine } }))
    for (const reading of readings) await addFact(id, 'reading', reading)
    const young = await kept(id)
    expect(await summaryOf(id)).toEqual(young)
    server.passSeconds(2 * 86_400)
    await server.signInAs('Mira Toller')
    const old = (await summaryOf(id)) as typeof young
    expect(old!.stepsDone).toBeLessThan(young!.stepsDone)
    // No other number of it will grow old: the next list takes what is kept.
    expect(old!.oldFrom).toBeNull()
    expect(await kept(id)).toEqual(old)
  })

  test('what a fact wrote meanwhile is not overtaken by the clock', async () => {
    const id = await makeSetup()
    const before = await kept(id)
    await addFact(id, 'check-off', { of: 'home' })
    const after = await kept(id)
    await server.store.renewSummary(before!, { ...before!, name: 'from before the fact' })
    expect(await kept(id)).toEqual(after)
    await server.store.addSummary({ ...before!, name: 'from before the fact' })
    expect(await kept(id)).toEqual(after)
    await server.store.renewSummary(after!, { ...after!, name: 'renewed' })
    expect(await kept(id)).toMatchObject({ name: 'renewed' })
  })
})

describe('programs', () => {
  const reading = readProgram('G21 G90\nT1 M6\nG54 G43 H1 G0 Z5\nG1 Z-1 F100\n')
  const body = { name: 'part.ngc', bytes: 51, sha256: 'a'.repeat(64), reading }
  test('what was read is a fact with who and when, whole as it was sent', async () => {
    const id = await makeSetup()
    await addFact(id, 'program', body)
    await addFact(id, 'program-check', { sha256: 'b'.repeat(64) })
    const { document } = await opened(id)
    expect(document.programs).toMatchObject([{ ...body, by: { name: 'Mira Toller' } }])
    expect(document.programChecks).toMatchObject([
      { sha256: 'b'.repeat(64), by: { name: 'Mira Toller' } },
    ])
  })
  test('a release stands when the file at the machine is looked at, not when another program is read', async () => {
    const id = await makeSetup()
    await keyEverything(id)
    await seeToEverything(id)
    await addFact(id, 'record', {})
    const released = async () => (await opened(id)).released
    expect(await released()).toBe(true)
    await addFact(id, 'program-check', { sha256: 'a'.repeat(64) })
    expect(await released()).toBe(true)
    await addFact(id, 'program', body)
    expect(await released()).toBe(false)
  })
  test('a hash that is none, and a reading that lacks a part, are refused with their place', async () => {
    const id = await makeSetup()
    const short = await addFact(id, 'program', { ...body, sha256: 'abc' })
    expect(short.status).toBe(422)
    expect(JSON.stringify(short.body)).toContain('sha256')
    const { lines: _lines, ...rest } = reading
    expect((await addFact(id, 'program', { ...body, reading: rest })).status).toBe(422)
  })
})
