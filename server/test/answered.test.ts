import { begins, declares, enters } from './entering'
import {
  SETUP_FACT_KINDS,
  foundSchema,
  gaugeHistorySchema,
  gaugeStandingsSchema,
  gaugeUsesSchema,
  keptAnswerSchema,
  machineHistorySchema,
  machineSchema,
  memberHistorySchema,
  personSchema,
  pocketsSchema,
  setupAnswerSchema,
  setupPageSchema,
  shopGaugeSchema,
  suspectSetupsSchema,
  toolHistorySchema,
  toolPageSchema,
  touchPlanSchema,
} from '@pine/contract'
import { SETUP_BODIES } from '@pine/core/facts'
import type { Fields } from '@pine/core/fields'
import { SHOP_FIELDS } from '@pine/core/shop'
import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { bodiesOf, recordsOf } from './accepted-bodies'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// What was accepted once is answered for ever: whatever the schemas and the checks let in, every question about the shop is
// answered, in the shape that the client reads.

let shop: Harness
const [machine, gauge, tool, setup] = [uuid(), uuid(), uuid(), uuid()]

beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
  const sheet = sheetOf(1, 2)
  const post = async ([method, path, body]: readonly [string, string, object]) => {
    const { status, body: answer } = await shop.send(method, path, body)
    expect([path, status, answer.error]).toEqual([path, 201, undefined])
  }
  await post(declares('machine', { id: machine, machine: sheet.machine }))
  const declared = { id: gauge, kind: 'height-setter', name: 'setter', size: mm('50') }
  await post(declares('gauge', { id: gauge, gauge: declared, watch: { limit: mm('0.01') } }))
  await post(declares('tool', { id: tool, tool: { name: 'drill', place: { machine, pocket: 1 } } }))
  await post(
    begins({
      id: setup,
      sheetFactId: uuid(),
      sheet: {
        ...sheet,
        machineId: machine,
        tools: sheet.tools.map((one, index) => (index === 0 ? { ...one, assembly: tool } : one)),
      },
    }),
  )
  for (const one of [1, 2]) {
    const body = { of: 'tip-on-plane', tool: one, read: mm('-220.000'), with: ['setter'] }
    await post(['POST', `/streams/setup/${setup}/facts`, { id: uuid(), kind: 'reading', body }])
  }
  // What happens to a machine is asked since it was declared.
  shop.passSeconds(60)
})
afterAll(() => shop.close())

const ACCEPTED = 8

const ASKED: readonly (readonly [() => string, z.ZodType])[] = [
  [() => '/people', z.array(personSchema)],
  [() => '/members', z.array(memberHistorySchema)],
  [() => '/machines', z.array(machineSchema)],
  [() => `/machines/${machine}/history`, machineHistorySchema],
  [() => `/machines/${machine}/tools`, pocketsSchema],
  [() => '/gauges', z.array(shopGaugeSchema)],
  [() => '/gauges/standings', gaugeStandingsSchema],
  [() => `/gauges/${gauge}/checks`, gaugeHistorySchema],
  [() => `/gauges/${gauge}/used`, gaugeUsesSchema],
  [() => `/gauges/${gauge}/suspect`, suspectSetupsSchema],
  [() => '/tools', toolPageSchema],
  [() => `/tools/${tool}`, toolHistorySchema],
  [() => '/setups', setupPageSchema],
  [() => '/setups?away=1', setupPageSchema],
  [() => `/setups/${setup}`, setupAnswerSchema],
  [() => `/setups/${setup}/solution`, z.object({})],
  [() => `/setups/${setup}/touch-plan`, touchPlanSchema],
  [() => `/setups/${setup}/kept`, keptAnswerSchema],
  [() => '/search?find=a', foundSchema],
]

async function everythingIsAnswered(after: string): Promise<void> {
  for (const [path, schema] of ASKED) {
    const { status, body } = await shop.send('GET', path())
    expect([after, path(), status]).toEqual([after, path(), 200])
    const read = schema.safeParse(body)
    expect([after, path(), read.error?.issues ?? []]).toEqual([after, path(), []])
  }
  const calendar = await shop.request('GET', '/gauges/due.ics')
  expect([after, calendar.status]).toEqual([after, 200])
}

/**
 * Sends bodies of a schema until `ACCEPTED` of them are: what is refused (not one may break the server) is no run. Everything is
 * asked now and then in between, so that what is told of a failure is near the fact that it comes from, and at the end.
 */
async function sends(
  bodies: fc.Arbitrary<object>,
  to: (body: object) => readonly [string, string, object],
): Promise<void> {
  let accepted = 0
  await fc.assert(
    fc.asyncProperty(bodies, async (body) => {
      const [method, path, request] = to(body)
      const { status } = await shop.send(method, path, request)
      expect(status).toBeLessThan(500)
      fc.pre(status <= 201)
      accepted += 1
      if (accepted % 4 === 0) await everythingIsAnswered(`${path} ${JSON.stringify(body)}`)
    }),
    { numRuns: ACCEPTED, maxSkipsPerRun: 100 },
  )
  await everythingIsAnswered('the last of them')
}

/** A machine as a person may declare it: its numbers have to be ones that can be. */
const machineOf = (body: object): object => ({
  ...sheetOf(1).machine,
  ...Object.fromEntries(
    Object.entries(body).filter(([name]) => ['name', 'kind', 'homing', 'policy'].includes(name)),
  ),
})

const same = (body: object) => body
const outside = <Stream extends 'machine' | 'gauge' | 'tool'>(
  stream: Stream,
  kind: string,
  of: () => string,
  whole: (body: object) => object = same,
) => [kind, { stream, of, whole }] as const

test.each([
  outside('machine', 'machine-event', () => machine),
  outside('tool', 'tool-event', () => tool),
  outside('gauge', 'gauge-check', () => gauge),
  outside('machine', 'reversal-test', () => machine),
  outside('machine', 'machine', uuid, machineOf),
  outside('tool', 'tool', uuid),
])(
  'a fact of the shop that is accepted (%s) leaves every question answered',
  async (kind, { stream, of, whole }) => {
    const fields = (SHOP_FIELDS[stream] as Readonly<Record<string, unknown>>)[kind] as Fields
    const bodies = recordsOf(fields, { machine: [machine] })
    await sends(bodies, (body) => enters(stream, of(), kind, { id: uuid(), ...whole(body) }))
  },
)

test('an empty note where the screen says that it may be left empty is answered like any other', async () => {
  const event = { id: uuid(), what: 'home-lost', note: '' }
  expect((await shop.send(...enters('machine', machine, 'machine-event', event))).status).toBe(201)
  await everythingIsAnswered('an empty note')
})

// A sheet and a program are whole documents of their own; a record is made by the server.
const KINDS = SETUP_FACT_KINDS.filter((kind) => !['sheet', 'program', 'record'].includes(kind))

test.each(KINDS)(
  'a fact of a set-up that is accepted (%s) leaves every question answered',
  async (kind) => {
    const known = {
      tool: [1, 2],
      gauge: ['setter'],
      with: [[], ['setter']],
      withOnPlane: [[]],
      row: ['G54'],
      from: ['G54'],
      address: ['H1', 'G54.X', 'G54.Z'],
    }
    const bodies = bodiesOf(SETUP_BODIES[kind], known) as fc.Arbitrary<object>
    await sends(bodies, (body) => [
      'POST',
      `/streams/setup/${setup}/facts`,
      { id: uuid(), kind, body },
    ])
  },
)
