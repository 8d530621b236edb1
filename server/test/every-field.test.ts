import { begins } from './entering'
import type { Fields, Shape } from '@pine/core/fields'
import { parseSetupFile } from '@pine/contract'
import { SETUP_BODIES } from '@pine/core/facts'
import { SHEET_FIELDS } from '@pine/core/sheet'
import { SHOP_FIELDS } from '@pine/core/shop'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'
import {
  pathsIn,
  pathsOf,
  wholeBodies,
  wholeRecords,
  withEachLength,
  type Given,
} from './whole-bodies'

// Every field of every fact goes through the API into the database and comes back as it was sent; one of its lengths that is no
// number is refused at its place. The fields are asked of core's own table, so a new one is here before anybody thinks of it.

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
})
afterAll(() => shop.close())

type Sent = { readonly kind: string; readonly body: unknown }

async function begin(sheet: object = twoFixtures): Promise<string> {
  const id = uuid()
  const { status, body } = await shop.send(...begins({ id, sheetFactId: uuid(), sheet }))
  expect([status, body.error]).toEqual([201, undefined])
  return id
}

async function enter(setup: string, fact: Sent): Promise<string> {
  const id = uuid()
  const { status, body } = await shop.send('POST', `/streams/setup/${setup}/facts`, { id, ...fact })
  expect([fact, status, body.error]).toEqual([fact, 201, undefined])
  return id
}

const base = sheetOf(1, 2)
const twoFixtures = {
  ...base,
  offsets: [base.offsets[0]!, { ...base.offsets[0]!, row: 'G55' }],
  tools: base.tools.map((tool) => ({ ...tool, diameterRegister: tool.number })),
}

/** What the fields of a fact point at: what stands on that sheet. */
const ON_SHEET: Given = {
  gauge: ['setter'],
  with: [['setter']],
  withOnPlane: [['setter']],
  withOnFrom: [['setter']],
  from: ['G55'],
}

/** Sends facts, and looks whether the set-up tells them back, from the database and as a file. Gives the paths that were sent. */
async function thereAndBack(setup: string, facts: readonly Sent[]): Promise<readonly string[]> {
  const ids: string[] = []
  for (const fact of facts) ids.push(await enter(setup, fact))
  const { body } = await shop.send('GET', `/setups/${setup}`)
  const file = parseSetupFile(body.file)
  if (!file.ok) throw new Error(JSON.stringify(file.problems))
  const told = new Map(file.file.facts.map((fact) => [fact.id, fact]))
  expect(ids.map((id) => told.get(id)?.body)).toEqual(facts.map((fact) => fact.body))
  return facts.flatMap(({ kind, body }) =>
    pathsIn(SETUP_BODIES[kind as keyof typeof SETUP_BODIES], body),
  )
}

const missing = (shape: Shape, sent: readonly string[]) => {
  const known = new Set(sent)
  return pathsOf(shape).filter((path) => !known.has(path))
}

test.each([
  'key-in',
  'read-back',
  'acceptance',
  'proof',
  'lift',
  'check-off',
  'program-check',
  'put-away',
] as const)('every field of a fact (%s) comes back as it was sent', async (kind) => {
  const shape: Shape = SETUP_BODIES[kind]
  const facts = wholeBodies(shape, ON_SHEET).map((body) => ({ kind, body }))
  expect(missing(shape, await thereAndBack(await begin(), facts))).toEqual([])
})

test('every field of a program that was read comes back', async () => {
  const facts = wholeBodies(SETUP_BODIES.program).map((body) => ({ kind: 'program', body }))
  expect(missing(SETUP_BODIES.program, await thereAndBack(await begin(), facts))).toEqual([])
})

test('every field of every reading comes back, also of one that replaces another or is reused', async () => {
  const setup = await begin()
  const whole = wholeBodies(SETUP_BODIES.reading, ON_SHEET) as readonly Record<string, unknown>[]
  const sent: string[] = []
  for (const { supersedes: _, kept, ...body } of whole) {
    const earlier = await enter(setup, { kind: 'reading', body })
    // Nothing of a part is reused.
    const again = { ...body, supersedes: earlier, ...(!('row' in body) && { kept }) }
    sent.push(...(await thereAndBack(setup, [{ kind: 'reading', body: again }])))
  }
  const ofParts = (path: string) =>
    /\.kept\./.test(path) && !/^\.(nose-on-plane|tip-on-plane|tool-diameter)\./.test(path)
  expect(missing(SETUP_BODIES.reading, sent).filter((path) => !ofParts(path))).toEqual([])
})

test('every field of every event comes back', async () => {
  const setup = await begin()
  const touch = {
    kind: 'reading',
    body: { of: 'tip-on-plane', tool: 1, read: mm('-200'), with: ['setter'] },
  }
  const reading = await enter(setup, touch)
  const event = await enter(setup, { kind: 'event', body: { kind: 'plane-moved' } })
  await enter(setup, touch)
  // What may be based anew is told before anything else happens to the tool.
  const facts = wholeBodies(SETUP_BODIES.event, {
    ...ON_SHEET,
    reading: [reading],
    event: [event],
    lastGood: [reading],
  })
    .map((body) => ({ kind: 'event', body: body as { kind: string } }))
    .sort(
      (one, other) => Number(other.body.kind === 'rebased') - Number(one.body.kind === 'rebased'),
    )
  expect(missing(SETUP_BODIES.event, await thereAndBack(setup, facts))).toEqual([])
})

test('a note comes back, and that it was read', async () => {
  const setup = await begin()
  const note = await enter(setup, { kind: 'note', body: { text: 'G55 is not touched yet' } })
  const facts = wholeBodies(SETUP_BODIES.note, { noteRead: [note] }).map((body) => ({
    kind: 'note',
    body,
  }))
  expect(missing(SETUP_BODIES.note, await thereAndBack(setup, facts))).toEqual([])
})

/** Values that go together on a sheet: travels with room for a setter, faces that are not spared. */
const TOGETHER: Given = {
  ...ON_SHEET,
  from: ['G54'],
  min: [mm('-900')],
  max: [mm('900')],
  top: [mm('-400')],
  touchWith: [['setter']],
  planeRow: ['G59'],
  face: ['left'],
  side: ['inside'],
  spared: [['back']],
}
// What a machine's setter lowers from is a length, and no row.
const { from: _row, ...OF_REST } = TOGETHER

/** Sheets on which one part is whole, in each of the ways that this part can be. */
function sheets(): readonly object[] {
  const { gauges, tools, leftOut, offsets, ...rest } = SHEET_FIELDS
  // A list of one: what it holds in each of its ways.
  const itemsOf = (list: Fields, given = TOGETHER) =>
    wholeRecords(list, given).flatMap((record) => Object.values(record).flat()) as readonly any[]
  const [plan] = twoFixtures.offsets
  const [setter] = twoFixtures.gauges
  const [one, other] = twoFixtures.tools
  return [
    ...(wholeRecords(rest, OF_REST) as readonly any[]).map((sheet) => ({
      ...sheet,
      gauges: [setter],
      offsets: [plan],
      tools: [one, other].map(({ lengthRegister, ...tool }: any) =>
        sheet.machine.control.toolLengths === 'none' ? tool : { ...tool, lengthRegister },
      ),
    })),
    ...itemsOf({ gauges }).map((gauge) => ({
      ...twoFixtures,
      gauges: [setter, { ...gauge, id: 'another' }],
    })),
    ...itemsOf({ tools }).map((tool) => ({ ...twoFixtures, tools: [tool, other] })),
    ...itemsOf({ leftOut }).map(({ tool, reason }) => ({
      ...twoFixtures,
      leftOut: [{ reason, tool: { ...tool, number: 3 } }],
    })),
    ...itemsOf({ offsets })
      .flatMap((offset) => [
        // What finds both axes stands in both.
        { ...offset, Y: { ...offset.X, ...('face' in offset.X && { face: 'front' }) }, Z: plan!.Z },
        { ...plan!, Z: offset.Z },
      ])
      .map((offset) =>
        offset.Z.by === 'fixture-difference'
          ? { ...twoFixtures, offsets: [plan, { ...offset, row: 'G55' }] }
          : { ...twoFixtures, school: 'part-top', offsets: [offset] },
      ),
  ]
}

test('every field of a sheet comes back', async () => {
  const setup = await begin()
  const facts = sheets().map((body) => ({ kind: 'sheet', body }))
  expect(missing(SETUP_BODIES.sheet, await thereAndBack(setup, facts))).toEqual([])
})

const OUTSIDE = Object.entries(SHOP_FIELDS).flatMap(([stream, kinds]) =>
  Object.entries<Fields>(kinds).map(([kind, fields]) => [kind, stream as Outside, fields] as const),
)
type Outside = keyof typeof SHOP_FIELDS

/** Sends a fact to a machine, a gauge or a tool that is watched and declared already. */
async function enterOutside(stream: Outside, kind: string, body: object, of: string) {
  const id = uuid()
  // A gauge is told under its own id.
  const whole = stream === 'gauge' && kind === 'gauge' ? { ...body, id: of } : body
  const path = `/streams/${stream}/${of}/facts`
  return { id, whole, answer: await shop.send('POST', path, { id, kind, body: whole }) }
}

async function declared(stream: Outside): Promise<string> {
  const of = uuid()
  const [first] = wholeRecords(SHOP_FIELDS[stream][stream as never] as Fields, OF_REST)
  const { answer } = await enterOutside(stream, stream, first!, of)
  expect([answer.status, answer.body.error]).toEqual([201, undefined])
  return of
}

test.each(OUTSIDE)(
  'every field of a fact of the shop (%s) comes back as it was sent',
  async (kind, stream, fields) => {
    const of = await declared(stream)
    const shape: Shape = { is: 'record', fields }
    const sent: string[] = []
    for (const body of wholeRecords(fields, OF_REST)) {
      const { id, whole, answer } = await enterOutside(stream, kind, body, of)
      expect([whole, answer.status, answer.body.error]).toEqual([whole, 201, undefined])
      const { body: told } = await shop.send('GET', `/streams/${stream}/${of}/facts?from=0`)
      expect(told.facts.find((fact: { id: string }) => fact.id === id)).toMatchObject({
        ...{ kind, body: whole, by: { name: 'Mira Toller' }, via: 'typed' },
      })
      sent.push(...pathsIn(shape, whole))
    }
    expect(missing(shape, sent)).toEqual([])
  },
)

test.each(OUTSIDE)(
  'a length of a fact of the shop (%s) that is no number is refused at its place',
  async (kind, stream, fields) => {
    const of = await declared(stream)
    for (const { place, value } of wholeRecords(fields, OF_REST).flatMap((body) =>
      withEachLength(body, 'wide'),
    )) {
      const { answer } = await enterOutside(stream, kind, value as object, of)
      const { place: told, code } = answer.body.error
      expect([answer.status, told, code]).toEqual([422, `body.${place}`, 'length-not-a-number'])
    }
  },
)
