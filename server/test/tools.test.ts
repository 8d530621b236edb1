import { begins, declares, enters } from './entering'
import { v7 as uuid } from 'uuid'
import {
  keptAnswerSchema,
  type ToolHistory,
  type ToolPage,
  type TouchPlanAnswer,
} from '@pine/contract'
import { readProgram } from '@pine/core/program'
import { type SetupSheet } from '@pine/core/sheet'
import { rebuildAll } from '../src/use-cases/setups/summaries'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// A shop over a month: what one job measured is there for the next, and what happened in between is told.

let server: Harness
let machine: string
let setter: string
const tools = [1, 2, 3, 4].map((number) => ({ number, assembly: uuid() }))
const LENGTHS = [80, 120, 95.5, 60]

beforeAll(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller', '2468', 'lead')
  machine = uuid()
  const { machine: declared } = sheetOf(1)
  await server.send(
    ...declares('machine', { id: machine, machine: { ...declared, name: 'Mill 2' } }),
  )
  setter = uuid()
  await server.send(
    ...declares('gauge', {
      id: setter,
      gauge: { id: setter, kind: 'height-setter', name: '50 mm setter', size: mm('50.000') },
    }),
  )
})
afterAll(() => server.close())

function jobSheet(name: string, changes: Partial<SetupSheet> = {}): SetupSheet {
  const sheet = sheetOf(1, 2, 3, 4)
  return {
    ...sheet,
    name,
    machineId: machine,
    gauges: [{ id: setter, kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }],
    tools: sheet.tools.map((tool, index) => ({ ...tool, assembly: tools[index]!.assembly })),
    ...changes,
  }
}

async function begin(name: string, changes: Partial<SetupSheet> = {}): Promise<string> {
  const id = uuid()
  const made = await server.send(
    ...begins({
      ...{ id, sheetFactId: uuid() },
      sheet: jobSheet(name, changes),
    }),
  )
  expect(made.status).toBe(201)
  return id
}

/** As a device sends it: with what tells it from every other one. */
const DEVICE = uuid()
const say = async (setup: string, kind: string, body: object) => {
  const path = `/streams/setup/${setup}/facts?device=${DEVICE}&seen=1`
  const answer = await server.send('POST', path, { id: uuid(), kind, body })
  expect([answer.status, answer.body.error]).toEqual([201, undefined])
}

const touch = (setup: string, tool: number, plane = -500) =>
  say(setup, 'reading', {
    of: 'tip-on-plane',
    tool,
    read: mm((plane + LENGTHS[tool - 1]! + 50).toFixed(3)),
    with: [setter],
  })

const keptFor = async (setup: string) =>
  // In the shape that a device reads, which takes no more and no less.
  keptAnswerSchema.parse((await server.send('GET', `/setups/${setup}/kept`)).body)

const planFor = async (setup: string) =>
  (await server.send('GET', `/setups/${setup}/touch-plan`)).body as TouchPlanAnswer

const takes = async (setup: string) =>
  (await keptFor(setup)).tools.map(({ tool, take, check }) => `T${tool} ${check ? 'check' : take}`)

async function takeOver(setup: string): Promise<void> {
  for (const reading of (await keptFor(setup)).generations.flat())
    await say(setup, 'reading', reading)
}

const stateOf = async (setup: string) => {
  const { body } = await server.send('GET', `/setups/${setup}/solution`)
  return (body.registers as { address: string; state: string }[])
    .filter(({ address }) => address.startsWith('H'))
    .map(({ address, state }) => `${address} ${state}`)
}

const historyOf = async (index: number) =>
  (await server.send('GET', `/tools/${tools[index]!.assembly}`)).body as ToolHistory

async function nextDay(): Promise<void> {
  server.passSeconds(86_400)
  await server.signInAs('Mira Toller')
}

describe('a month of a shop', () => {
  let first: string
  test('a job keeps its tools: each is the shop’s own from then on, in its pocket', async () => {
    first = await begin('Focuser body')
    expect(await takes(first)).toEqual(['T1 nothing', 'T2 nothing', 'T3 nothing', 'T4 nothing'])
    for (const { number } of tools) await touch(first, number)
    const { body } = await server.send('GET', '/tools')
    expect((body as ToolPage).total).toBe(4)
    expect((body as ToolPage).tools[0]).toMatchObject({
      tool: { name: 'tool 1', place: { machine, pocket: 1 } },
      trust: { state: 'read' },
    })
    const pockets = (await server.send('GET', `/machines/${machine}/tools`)).body
    expect(pockets.map(({ pocket }: { pocket: number }) => pocket)).toEqual([1, 2, 3, 4])
  })

  test('the second job touches two of four, and says why the others hold', async () => {
    await nextDay()
    const second = await begin('Clamp ring')
    expect(await takes(second)).toEqual(['T1 as-it-was', 'T2 check', 'T3 check', 'T4 as-it-was'])
    const { tools: said } = await keptFor(second)
    expect(said[3]!.words).toBe(
      'Length still good: touched 2 Mar 2026 by Mira Toller in Focuser body.',
    )
    const planOf = () => planFor(second)
    const plan = await planOf()
    // Nothing tells which is the longer, and no pockets are declared: either may come first.
    expect(plan.touches.map(({ tool, why }) => `T${tool} ${why.slice(0, 19)}`).toSorted()).toEqual([
      'T2 Touch it as a check',
      'T3 Touch it as a check',
    ])
    expect(plan.touches.map(({ check }) => check)).toEqual([true, true])
    expect(plan.kept.map(({ tool, why }) => `T${tool} ${why.slice(0, 5)}`)).toEqual([
      'T1 Lengt',
      'T4 Lengt',
    ])
    // Three gaps tell nothing yet: the usual minute and a half of a setter, twice, and a minute to lay it ready.
    expect(plan.minutes.median).toBeCloseTo(4, 9)
    await takeOver(second)
    expect((await planOf()).touches.map(({ tool }) => tool).toSorted()).toEqual([2, 3])
    expect(await takes(second)).toEqual([])
    await touch(second, 2)
    expect((await planOf()).touches.map(({ tool }) => tool)).toEqual([3])
    await touch(second, 3)
    expect(await stateOf(second)).toEqual(['H1 read', 'H2 read', 'H3 read', 'H4 read'])
  })

  test('in another job one of the two disagrees, and the others fall', async () => {
    await nextDay()
    const third = await begin('Flange')
    await takeOver(third)
    await touch(third, 2, -499.7)
    expect(await stateOf(third)).toEqual(['H1 stale', 'H2 read', 'H3 stale', 'H4 stale'])
    // What was found elsewhere is told by nobody: the next job has what stood before, and T2 as it was touched here.
    const fourth = await begin('Adapter')
    const { tools: said } = await keptFor(fourth)
    expect(said[1]!.words).toContain('in Flange')
    expect(said[2]!.words).toContain('in Clamp ring')
    expect(said[3]!.words).toContain('in Focuser body')
  })

  test('a drill that broke in between is touched, the others hold; it is told in the list', async () => {
    await nextDay()
    const event = { id: uuid(), what: 'broken', note: 'snapped in the drawtube' }
    const sent = enters('tool', tools[3]!.assembly!, 'tool-event', event)
    expect((await server.send(...sent)).status).toBe(201)
    expect((await server.send(...sent)).status).toBe(201)
    const { events, trust } = await historyOf(3)
    expect(events).toMatchObject([
      { what: 'broken', note: 'snapped in the drawtube', by: 'Mira Toller' },
    ])
    expect(trust).toEqual({
      state: 'stale',
      words: 'No longer good: it was changed on 5 Mar 2026 (snapped in the drawtube).',
    })
    const fifth = await begin('Spacer')
    expect((await takes(fifth))[3]).toBe('T4 nothing')
  })

  test('a setter that was moved is told once, and one touch carries the lengths over it', async () => {
    await nextDay()
    const event = { id: uuid(), what: 'plane-moved', plane: 'fixed jaw', note: 'vise re-trammed' }
    expect((await server.send(...enters('machine', machine, 'machine-event', event))).status).toBe(
      201,
    )
    const sixth = await begin('Ring')
    const { tools: said, generations } = await keptFor(sixth)
    expect(generations.map((touches) => touches.length > 0)).toEqual([true, false])
    expect(said.map(({ take }) => take)).toEqual([
      'after-rebase',
      'after-rebase',
      'after-rebase',
      'nothing',
    ])
    expect(said[0]!.words).toContain('Good after one touch')
    // One of them tells by how much; the drill that broke is touched for itself.
    const plan = await planFor(sixth)
    expect(plan.touches.map(({ tool }) => tool).toSorted()).toEqual([1, 4])
    expect(plan.kept.map(({ tool }) => tool)).toEqual([2, 3])
    await takeOver(sixth)
    await say(sixth, 'event', { kind: 'plane-moved' })
    // Taken over and said so, the plan is what it was.
    const still = await planFor(sixth)
    expect(still.touches.map(({ tool }) => tool).toSorted()).toEqual([1, 4])
    expect(still.touches.find(({ tool }) => tool === 1)?.why).toContain('by how much')
    expect(still.kept[0]).toEqual({
      tool: 2,
      why: 'The plane moved as a whole: one touch of T1 and a re-base on it carry this one over.',
    })
    await touch(sixth, 1, -499.25)
    const touched = await planFor(sixth)
    expect(touched.touches.map(({ tool }) => tool)).toEqual([4])
    expect(touched.kept.map(({ tool }) => tool)).toEqual([2, 3])
    expect(touched.kept[0]?.why).toContain('T1 was touched before and after the plane moved')
    await say(sixth, 'event', { kind: 'rebased', tool: 1 })
    expect((await planFor(sixth)).kept).toEqual([])
    const { body } = await server.send('GET', `/setups/${sixth}/solution`)
    const h3 = body.registers.find(({ address }: { address: string }) => address === 'H3')
    expect([h3.value, h3.state]).toEqual(['-403.750', 'read'])
  })

  test('a plane that was moved in another set-up counts like one that was moved outside of any', async () => {
    await nextDay()
    const seventh = await begin('Cap')
    await touch(seventh, 1, -499.25)
    expect((await takes(await begin('Cap again')))[0]).toBe('T1 check')
    await say(seventh, 'event', { kind: 'plane-moved' })
    expect((await takes(await begin('Cap once more')))[0]).toBe('T1 after-rebase')
  })

  test('nothing is offered where each tool is clamped anew: on a control that keeps no lengths', async () => {
    const sheet = jobSheet('By hand')
    const control = { ...sheet.machine.control, toolLengths: 'none' as const }
    const byHand = await begin('By hand', {
      machine: { ...sheet.machine, control },
      tools: sheet.tools.map(({ lengthRegister: _none, ...tool }) => tool),
    })
    expect(await keptFor(byHand)).toEqual({ tools: [], generations: [[]] })
    // There each is touched when its turn comes, in the order of the program: nothing is planned.
    expect(await planFor(byHand)).toMatchObject({ touches: [], kept: [], minutes: { median: 0 } })
  })

  test('nothing is offered where home is found by marks: it is another one each time', async () => {
    const { machine: declared } = jobSheet('By marks')
    const byMarks = await begin('By marks', { machine: { ...declared, homing: 'marks' } })
    expect([...new Set(await takes(byMarks))]).toEqual(
      ['T1', 'T2', 'T3', 'T4'].map((tool) => `${tool} nothing`),
    )
  })

  test('how long a touch takes is told by the machine’s own log', async () => {
    const timed = await begin('Timed')
    for (const number of [1, 2, 3, 4, 1, 2, 3, 4]) {
      await touch(timed, number, -499.25)
      server.passSeconds(90)
    }
    const { minutes } = await keptFor(await begin('After it'))
    expect(minutes).toMatchObject({ median: 1.5, upper: 1.5 })
    expect(minutes!.count).toBeGreaterThanOrEqual(7)
    await nextDay()
  })

  test('what was measured of a tool is told with where, when, by whom and with what', async () => {
    const { measured } = await historyOf(1)
    expect(measured.map(({ name, touched }) => [name, touched])).toEqual([
      ['Timed', true],
      ['Ring', false],
      ['Flange', true],
      ['Clamp ring', true],
      ['Focuser body', true],
    ])
    expect(measured[4]).toMatchObject({
      machine: 'Mill 2',
      with: ['50 mm setter'],
      by: 'Mira Toller',
    })
  })
})

describe('what happens outside of set-ups', () => {
  const eventsOf = async (setup: string) =>
    ((await server.send('GET', `/setups/${setup}`)).body.file.facts as any[])
      .filter(({ kind }) => kind === 'event')
      .map(({ body }) => body.kind)

  const twice = async (send: () => Promise<unknown>) => {
    await send()
    await send()
  }

  test('a tool that was measured again with no job in hand is told to whoever works with it, once', async () => {
    const working = await begin('Works with T2')
    await touch(working, 2)
    const [corrects, keeps] = [await begin('Corrects'), await begin('Keeps')]
    await touch(corrects, 2)
    await touch(keeps, 2)
    const [holds, found] = [mm('119.880'), mm('120.000')]
    const rechecks = async (setup: string, kept: boolean) => {
      const body = { kind: 'tool-rechecked', tool: 2, holds, found, kept }
      const fact = { id: uuid(), kind: 'event', body }
      await twice(() => server.send('POST', `/streams/setup/${setup}/facts?device=${DEVICE}`, fact))
    }
    const notesOf = async (setup: string) =>
      ((await server.send('GET', `/setups/${setup}`)).body.file.facts as any[])
        .filter(({ kind }) => kind === 'note')
        .map(({ body }) => body.text)
    await rechecks(keeps, true)
    expect([await eventsOf(working), await notesOf(working)]).toEqual([
      [],
      ['T2 was measured again: its row held 119.880 mm, found 120.000 mm. It holds.'],
    ])
    await rechecks(corrects, false)
    expect(await eventsOf(working)).toEqual(['tool-changed'])
    expect((await notesOf(working))[1]).toContain('Touch it again here.')
    // Who said so needs no telling.
    expect(await eventsOf(corrects)).toEqual(['tool-rechecked'])
    for (const setup of [working, corrects, keeps]) await say(setup, 'put-away', { moves: 'away' })
  })

  test('is told to every set-up that is open on it, once, and to no other', async () => {
    const touched = await begin('Open, touched')
    await touch(touched, 3)
    const untouched = await begin('Open, not touched')
    const elsewhere = await begin('On the table', { plane: 'table' })
    const away = await begin('Put away')
    await touch(away, 3)
    await say(away, 'put-away', { moves: 'away' })
    const broken = { id: uuid(), what: 're-ground', note: '' }
    await twice(() => server.send(...enters('tool', tools[2]!.assembly!, 'tool-event', broken)))
    const moved = { id: uuid(), what: 'plane-moved', plane: 'Fixed jaw ', note: '' }
    await twice(() => server.send(...enters('machine', machine, 'machine-event', moved)))
    expect(await eventsOf(touched)).toEqual(['tool-changed', 'plane-moved'])
    expect(await eventsOf(untouched)).toEqual(['plane-moved'])
    expect(await eventsOf(elsewhere)).toEqual([])
    expect(await eventsOf(away)).toEqual([])
    const lost = { id: uuid(), what: 'home-lost', note: 'power cut' }
    await server.send(...enters('machine', machine, 'machine-event', lost))
    expect(await eventsOf(elsewhere)).toEqual(['home-lost'])
    expect((await stateOf(touched))[2]).toBe('H3 stale')
  })
})

describe('the list of tools', () => {
  test('is found by words, in pages, and without what is out of use', async () => {
    const many = Array.from({ length: 60 }, (_, index) => ({
      id: uuid(),
      tool: { name: `${index % 2 ? 'Reamer' : 'Countersink'} 50%_${index}` },
    }))
    for (const one of many) expect((await server.send(...declares('tool', one))).status).toBe(201)
    const page = async (asked: string) =>
      (await server.send('GET', `/tools?${asked}`)).body as ToolPage
    expect([(await page('')).total, (await page('')).tools.length]).toEqual([64, 50])
    expect((await page('from=50')).tools).toHaveLength(14)
    expect((await page('find=reamer')).total).toBe(30)
    expect((await page('find=reamer%2050%25_1')).total).toBeLessThan(30)
    expect((await page('find=%25%25')).total).toBe(0)
    expect((await page(`machine=${machine}`)).total).toBe(4)
    const [gone] = many
    const answer = await server.send(
      ...declares('tool', { id: gone!.id, tool: gone!.tool, reason: 'worn out', retired: true }),
    )
    expect(answer.status).toBe(201)
    expect((await page('find=countersink')).total).toBe(29)
    expect((await page('retired=1')).tools).toMatchObject([{ id: gone!.id, retired: true }])
  })

  test('is in the order of the numbers in its names', async () => {
    for (const name of ['Tap 10 mm', 'Tap 6 mm', 'Tap 6.8 mm'])
      await server.send(...declares('tool', { id: uuid(), tool: { name } }))
    const { body } = await server.send('GET', '/tools?find=tap')
    expect((body as ToolPage).tools.map(({ tool }) => tool.name)).toEqual([
      'Tap 6 mm',
      'Tap 6.8 mm',
      'Tap 10 mm',
    ])
  })

  test('everything is searched by words: set-ups, tools, gauges and machines', async () => {
    const found = async (words: string) =>
      (
        (await server.send('GET', `/search?find=${encodeURIComponent(words)}`)).body as {
          kind: string
          name: string
        }[]
      ).map(({ kind, name }) => `${kind} ${name}`)
    expect(await found('50 mm setter')).toEqual(['gauge 50 mm setter'])
    expect(await found('CLAMP ring')).toEqual(['setup Clamp ring'])
    expect(await found('mill 2')).toContain('machine Mill 2')
    expect(await found('tool 3')).toEqual(['tool tool 3'])
    expect(await found(tools[2]!.assembly.slice(-8).toUpperCase())).toEqual(['tool tool 3'])
    expect(await found('%')).not.toContain('machine Mill 2')
    const program = await begin('Hub')
    const reading = readProgram('G21 G90 G54\nM30\n')
    await say(program, 'program', {
      ...{ name: 'hub-top.nc', bytes: 16, sha256: 'a'.repeat(64), reading },
    })
    expect(await found('hub-TOP')).toEqual(['program hub-top.nc'])
    expect((await server.send('GET', '/search?find=')).status).toBe(422)
  })

  test('a tool that goes into another pocket leaves the one before it', async () => {
    await begin('Moved about', {
      tools: [{ number: 9, name: 'tool 1', lengthRegister: 9, assembly: tools[0]!.assembly }],
    })
    const pockets = (await server.send('GET', `/machines/${machine}/tools`)).body
    expect(pockets.map(({ pocket }: { pocket: number }) => pocket)).toEqual([2, 3, 4, 9])
  })

  test('a tool whose pocket another was put into says so, in the list and on its page', async () => {
    const other = uuid()
    const isDisplaced = async () => [
      (await historyOf(3)).displaced,
      ((await server.send('GET', '/tools?find=tool+4')).body as ToolPage).tools[0]?.displaced,
    ]
    expect(await isDisplaced()).toEqual([undefined, undefined])
    server.passSeconds(60)
    await begin('In its place', {
      tools: [{ number: 4, name: 'another tap', lengthRegister: 4, assembly: other }],
    })
    expect(await isDisplaced()).toEqual([true, true])
    expect((await server.send('GET', `/tools/${other}`)).body.displaced).toBeUndefined()
    // Put back, it is where it was.
    server.passSeconds(60)
    await begin('Back in it', {
      tools: [{ number: 4, name: 'tool 4', lengthRegister: 4, assembly: tools[3]!.assembly }],
    })
    expect(await isDisplaced()).toEqual([undefined, undefined])
  })

  test('two tools cannot be one, and what is not there is said', async () => {
    const twice = [1, 2].map((number) => ({
      ...{ number, name: `tool ${number}`, lengthRegister: number },
      assembly: tools[0]!.assembly,
    }))
    const refused = await server.send(
      ...begins({
        ...{ id: uuid(), sheetFactId: uuid() },
        sheet: jobSheet('Twice', { tools: twice }),
      }),
    )
    expect(refused.status).toBe(422)
    for (const id of [uuid(), 'nothing'])
      expect((await server.send('GET', `/tools/${id}`)).status).toBe(404)
    const event = { id: uuid(), what: 'home-lost', note: '' }
    expect((await server.send(...enters('machine', uuid(), 'machine-event', event))).status).toBe(
      404,
    )
    expect(
      (await server.send(...enters('tool', 'nothing', 'tool-event', { ...event, what: 'broken' })))
        .status,
    ).toBe(404)
  })

  test('a viewer looks and enters nothing', async () => {
    await server.signInAs('Vera Lund', '1357', 'viewer')
    expect((await server.send('GET', '/tools')).status).toBe(200)
    const refused = [
      await server.send(...declares('tool', { id: uuid(), tool: { name: 'drill' } })),
      await server.send(
        ...enters('tool', tools[0]!.assembly, 'tool-event', {
          ...{ id: uuid(), what: 'broken', note: '' },
        }),
      ),
      await server.send(
        ...enters('machine', machine, 'machine-event', {
          ...{ id: uuid(), what: 'home-lost', note: '' },
        }),
      ),
    ]
    expect(refused.map(({ status }) => status)).toEqual([403, 403, 403])
  })
})

test('a home that was lost in one set-up takes every length of before it from the next', async () => {
  await nextDay()
  const here = await begin('Before the power cut')
  for (const { number } of tools) await touch(here, number)
  expect(await takes(await begin('Still homed'))).not.toContain('T1 nothing')
  const elsewhere = await begin('When the power went')
  server.passSeconds(60)
  await say(elsewhere, 'event', { kind: 'home-lost' })
  const after = await keptFor(await begin('After the power cut'))
  expect(after.tools.map(({ take }) => take)).toEqual(tools.map(() => 'nothing'))
  expect(after.tools[0]!.words).toMatch(/home|Home/)
})

test('all that is worked out of facts is built again from them as it was', async () => {
  const all = async () => [
    (await server.send('GET', '/tools')).body,
    ((await server.send('GET', '/setups')).body.setups as { id: string }[]).toSorted((one, other) =>
      one.id.localeCompare(other.id),
    ),
    (await server.send('GET', `/machines/${machine}/tools`)).body,
    (await server.send('GET', `/tools/${tools[1]!.assembly}`)).body,
    await server.asOwner(
      'SELECT tool_id, setup_id, at, use FROM tool_use ORDER BY tool_id, setup_id',
    ),
    await server.asOwner('SELECT * FROM tool_now ORDER BY tool_id'),
  ]
  const before = await all()
  expect((before[4] as unknown[]).length).toBeGreaterThan(10)
  await server.asOwner('DELETE FROM tool_use')
  await server.asOwner('DELETE FROM tool_now')
  await server.asOwner('DELETE FROM summary')
  expect((await server.send('GET', '/tools')).body).toMatchObject({ total: 0 })
  await rebuildAll(server.store, () => new Date('2026-03-20T08:00:00Z'))
  expect(await all()).toEqual(before)
})
