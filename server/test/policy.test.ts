import { begins, declares } from './entering'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'

const FILE = JSON.parse(
  readFileSync(join(__dirname, '../../docs/examples/whole-run.json'), 'utf8'),
) as { facts: { kind: string; body: any }[] }
const [sheet, ...rest] = FILE.facts

let shop: Harness
let mill: string
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Lena Lead')
  mill = uuid()
  const { status } = await shop.send(...declares('machine', { id: mill, machine: MACHINE }))
  expect(status).toBe(201)
})
afterAll(() => shop.close())

const { policy: _none, ...MACHINE } = sheet!.body.machine
const ask = (policy: object | undefined, reason?: string) =>
  shop.send(
    ...declares('machine', {
      id: mill,
      machine: { ...MACHINE, ...(policy && { policy }) },
      ...(reason !== undefined && { reason }),
    }),
  )

/** A set-up with everything done but its release, by Mira. */
async function ready(sheetBody: object): Promise<string> {
  const id = uuid()
  await shop.signInAs('Mira Toller', '2468', 'setter')
  const begun = await shop.send(...begins({ id, sheetFactId: uuid(), sheet: sheetBody }))
  expect(begun.status).toBe(201)
  for (const { kind, body } of rest.filter((fact) => fact.kind !== 'record')) {
    const added = await shop.send('POST', `/streams/setup/${id}/facts`, { id: uuid(), kind, body })
    expect([kind, added.status]).toEqual([kind, 201])
  }
  return id
}
const release = (id: string) =>
  shop.send('POST', `/streams/setup/${id}/facts`, { id: uuid(), kind: 'record', body: {} })

test('less is asked by a lead who says why; more by a lead; by nobody else', async () => {
  await shop.signInAs('Lena Lead')
  expect((await ask({ secondLook: true, maxAgeDays: 7 })).status).toBe(201)
  expect(await ask({ secondLook: true })).toMatchObject({
    status: 422,
    body: { error: { place: 'body.reason' } },
  })
  expect((await ask({ maxAgeDays: 7 }, '  ')).status).toBe(422)
  expect((await ask({ maxAgeDays: 9 }, 'one shift, nobody else is here')).status).toBe(201)
  const machines = (await shop.send('GET', '/machines')).body
  expect(machines).toEqual([{ id: mill, machine: { ...MACHINE, policy: { maxAgeDays: 9 } } }])
  // Each is a fact of the machine, with who and why.
  const facts = await shop.asOwner(
    `SELECT place, body->>'reason' AS reason, person.name FROM fact JOIN person ON person.id = person_id
     WHERE stream_id = '${mill}' ORDER BY place`,
  )
  expect(facts).toEqual([
    { place: 0, reason: null, name: 'Lena Lead' },
    { place: 1, reason: null, name: 'Lena Lead' },
    { place: 2, reason: 'one shift, nobody else is here', name: 'Lena Lead' },
  ])
  await shop.signInAs('Mira Toller', '2468', 'setter')
  expect((await ask({ secondLook: true })).body.error.code).toBe('not-allowed')
  await shop.signInAs('Lena Lead')
  expect((await ask(undefined, 'as it was')).status).toBe(201)
})

test.each([
  ['known by its id', () => ({ ...sheet!.body, machineId: mill })],
  ['known by its name, as a file tells it', () => sheet!.body],
  [
    'whatever the sheet itself asks',
    () => ({
      ...sheet!.body,
      machineId: mill,
      machine: { ...MACHINE, policy: { secondLook: false } },
    }),
  ],
])('what a machine asks now holds up a set-up that was begun before: %s', async (_name, body) => {
  const id = await ready(body())
  await shop.signInAs('Lena Lead')
  expect((await ask({ secondLook: true })).status).toBe(201)
  await shop.signInAs('Mira Toller', '2468', 'setter')
  const early = await release(id)
  expect(early).toMatchObject({ status: 409, body: { error: { code: 'steps-open' } } })
  expect(early.body.error.received).toContain('look')
  // Her own look is none; a setter's who read and keyed nothing in here is.
  const look = () =>
    shop.send('POST', `/streams/setup/${id}/facts`, {
      id: uuid(),
      kind: 'check-off',
      body: { of: 'look' },
    })
  await look()
  expect((await release(id)).status).toBe(409)
  await shop.signInAs('Jory Fenn', '2468', 'setter')
  await look()
  expect((await release(id)).status).toBe(201)
  await shop.signInAs('Lena Lead')
  await ask(undefined, 'for the next test')
})

test('who read a number of it may not take the second look', async () => {
  const id = await ready({ ...sheet!.body, machineId: mill })
  await shop.signInAs('Lena Lead')
  await ask({ secondLook: true })
  await shop.signInAs('Jory Fenn', '2468', 'setter')
  const reading = rest.find(({ kind }) => kind === 'reading')!
  await shop.send('POST', `/streams/setup/${id}/facts`, {
    id: uuid(),
    kind: 'reading',
    body: reading.body,
  })
  const solution = (await shop.send('GET', `/setups/${id}/solution`)).body
  expect(solution.registers.length).toBeGreaterThan(1)
  const look = { id: uuid(), kind: 'check-off', body: { of: 'look' } }
  await shop.send('POST', `/streams/setup/${id}/facts`, look)
  expect((await release(id)).body.error.received).toContain('look')
})

test('the list tells what a machine asks now, before anything more is entered', async () => {
  const own = { ...sheet!.body, machine: MACHINE }
  const [named, known] = [await ready(own), await ready({ ...own, machineId: mill })]
  await shop.signInAs('Lena Lead')
  await ask(undefined, 'for this test')
  const open = async () => {
    const { body } = await shop.send('GET', '/setups')
    const listed = body.setups as { id: string; stepsDone: number; stepsTotal: number }[]
    return [named, known].map((id) => {
      const { stepsDone, stepsTotal } = listed.find((one) => one.id === id)!
      return stepsTotal - stepsDone
    })
  }
  const before = await open()
  await ask({ secondLook: true })
  const more = before.map((steps) => steps + 1)
  expect(await open()).toEqual(more)
  // What is entered then is told with it as well.
  for (const id of [named, known])
    await shop.send('POST', `/streams/setup/${id}/facts`, {
      id: uuid(),
      kind: 'check-off',
      body: { of: 'clean' },
    })
  expect(await open()).toEqual(more)
  await ask(undefined, 'as it was')
  expect(await open()).toEqual(before)
})

describe('machines and gauges that are corrected or retired', () => {
  const gauge = {
    kind: 'height-setter',
    name: '50 mm setter',
    size: { text: '50.000', unit: 'mm' },
  }
  const put = (id: string, body: object) => shop.send(...declares('gauge', { id: id, ...body }))

  test('a gauge has another size from now on, and why; retired it stays, marked', async () => {
    await shop.signInAs('Lena Lead')
    const id = uuid()
    const measured = { ...gauge, id, size: { text: '50.012', unit: 'mm' } }
    expect((await shop.send(...declares('gauge', { id, gauge: { ...gauge, id } }))).status).toBe(
      201,
    )
    const listed = async () =>
      (await shop.send('GET', '/gauges')).body.find((one: { id: string }) => one.id === id)
    const reason = 'measured against the block'
    expect(await put(id, { gauge: measured, reason })).toMatchObject({ status: 201 })
    expect(await listed()).toEqual({ id, gauge: measured })
    await put(id, { gauge: measured, reason: 'worn', retired: true })
    expect(await listed()).toEqual({ id, gauge: measured, retired: true })
    await put(id, { gauge: measured, reason: 'ground' })
    expect(await listed()).toEqual({ id, gauge: measured })
    const facts = await shop.asOwner(
      `SELECT body->'size'->>'text' AS size, body->>'reason' AS reason, body->>'retired' AS retired
       FROM fact WHERE stream_id = '${id}' ORDER BY place`,
    )
    expect(facts).toEqual([
      { size: '50.000', reason: null, retired: null },
      { size: '50.012', reason, retired: null },
      { size: '50.012', reason: 'worn', retired: 'true' },
      { size: '50.012', reason: 'ground', retired: null },
    ])
  })

  test('refused: no reason, no size, another gauge’s id, a setter', async () => {
    await shop.signInAs('Lena Lead')
    const id = uuid()
    await shop.send(...declares('gauge', { id, gauge: { ...gauge, id } }))
    const own = { ...gauge, id }
    expect((await put(id, { gauge: own })).status).toBe(422)
    expect(
      (await put(id, { gauge: { ...own, size: { text: '0', unit: 'mm' } }, reason: 'why' })).body
        .error.place,
    ).toBe('body.size')
    expect((await put(id, { gauge: { ...own, id: uuid() }, reason: 'why' })).body.error.place).toBe(
      'body.id',
    )
    await shop.signInAs('Mira Toller', '2468', 'setter')
    expect((await put(id, { gauge: own, reason: 'why' })).body.error.code).toBe('not-allowed')
  })

  test('a machine is retired and taken back; its policy stays in force for what is on it', async () => {
    await shop.signInAs('Lena Lead')
    const id = uuid()
    const machine = { ...MACHINE, name: 'Old mill', policy: { secondLook: true } }
    await shop.send(...declares('machine', { id, machine }))
    const change = (body: object) => shop.send(...declares('machine', { id: id, machine, ...body }))
    const listed = async () =>
      (await shop.send('GET', '/machines')).body.find((one: { id: string }) => one.id === id)
    expect(await change({ reason: 'sold', retired: true })).toMatchObject({ status: 201 })
    expect(await listed()).toEqual({ id, machine, retired: true })
    await change({ reason: 'bought back' })
    expect(await listed()).toEqual({ id, machine })
  })
})
