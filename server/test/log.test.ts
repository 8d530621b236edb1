import { v7 as uuid } from 'uuid'
import { logPageSchema, type LogPage } from '@pine/contract'
import { begins, declares, enters } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// Everything that was entered in the shop, in order, and narrowed by whoever looks.

let server: Harness
const [machine, gauge, tool, setup] = [uuid(), uuid(), uuid(), uuid()]
let mira: string
let jory: string
beforeAll(async () => {
  server = await startHarness()
  jory = await server.signInAs('Jory Fenn', '1357', 'setter')
  mira = await server.signInAs('Mira Toller')
  const sheet = sheetOf(1)
  const later = () => server.passSeconds(3600)
  await server.send(...declares('machine', { id: machine, machine: sheet.machine }))
  later()
  const size = mm('20')
  await server.send(
    ...declares('gauge', { id: gauge, gauge: { id: gauge, kind: 'ball', name: 'ball', size } }),
  )
  later()
  await server.send(...declares('tool', { id: tool, tool: { name: 'drill' } }))
  later()
  await server.send(...enters('tool', tool, 'tool-event', { id: uuid(), what: 'broken', note: '' }))
  later()
  const named = {
    ...{ ...sheet, machineId: machine },
    tools: sheet.tools.map((one) => ({ ...one, assembly: tool })),
    gauges: [...sheet.gauges, { id: gauge, kind: 'ball', name: 'ball', size }],
  }
  await server.send(...begins({ id: setup, sheetFactId: uuid(), sheet: named as never }))
  later()
  await server.signInAs('Jory Fenn', '1357', 'setter')
  for (const [kind, body] of [
    ['reading', { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: [gauge] }],
    ['key-in', { address: 'H1', mode: 'set', typed: mm('-240.000') }],
  ] as const)
    await server.send('POST', `/streams/setup/${setup}/facts`, { id: uuid(), kind, body })
})
afterAll(() => server.close())

async function log(asked: Readonly<Record<string, string>> = {}): Promise<LogPage> {
  const { status, body } = await server.send('GET', `/log?${new URLSearchParams(asked)}`)
  expect([status, body]).toEqual([200, logPageSchema.parse(body)])
  return body
}
const words = async (asked?: Readonly<Record<string, string>>) =>
  (await log(asked)).lines.map(({ words }) => words)

test('every fact of every stream, the youngest first, each with what it is of', async () => {
  const { lines, next } = await log()
  expect(next).toBeNull()
  expect(lines.map(({ stream, words }) => [stream.kind, words])).toEqual([
    ['setup', 'H1 was set to −240.000 mm.'],
    ['setup', expect.stringMatching(/^T1 · .*: −220.000 mm, with the ball\.$/)],
    ['setup', expect.stringMatching(/was begun\.$/)],
    // In which pocket it is from now on.
    ['tool', expect.stringMatching(/^Declared anew: set up for /)],
    ['tool', 'Broken.'],
    ['tool', 'Declared.'],
    ['gauge', 'Declared.'],
    ['machine', 'Declared.'],
  ])
  expect(lines.at(-1)).toMatchObject({
    by: 'Mira Toller',
    stream: { name: sheetOf(1).machine.name },
  })
})

test('narrowed by person, machine, tool, gauge, register and day', async () => {
  expect(await words({ person: jory })).toHaveLength(2)
  expect(await words({ person: mira })).toHaveLength(6)
  expect((await log({ machine })).lines.map(({ stream }) => stream.kind)).toEqual([
    ...['setup', 'setup', 'setup', 'machine'],
  ])
  // A tool's own, and what was read of it in set-ups: not what was keyed for it, which names a register.
  expect((await log({ tool })).lines.map(({ stream }) => stream.kind)).toEqual([
    ...['setup', 'tool', 'tool', 'tool'],
  ])
  expect((await log({ gauge })).lines.map(({ stream }) => stream.kind)).toEqual(['setup', 'gauge'])
  expect(await words({ register: 'H1' })).toEqual(['H1 was set to −240.000 mm.'])
  const [, second] = (await log()).lines.toReversed()
  const from = second!.at
  const to = new Date(Date.parse(from) + 1000).toISOString()
  expect((await log({ from, to })).lines.map(({ stream }) => stream.kind)).toEqual(['gauge'])
  expect(await words({ register: 'H7' })).toEqual([])
})

test('page after page each fact comes once, also where many were entered in one moment', async () => {
  for (let at = 0; at < 120; at += 1) {
    const body = {
      address: 'H1',
      moment: 'after',
      shown: mm(`-240.${String(at).padStart(3, '0')}`),
    }
    const fact = { id: uuid(), kind: 'read-back', body }
    await server.send('POST', `/streams/setup/${setup}/facts`, fact)
  }
  const seen: string[] = []
  let pages = 0
  for (let before: string | null | undefined; before !== null; pages += 1) {
    const page: LogPage = await log(before === undefined ? {} : { before })
    seen.push(...page.lines.map(({ id }) => id))
    before = page.next
  }
  expect([pages, seen.length, new Set(seen).size]).toEqual([3, 128, 128])
})

test('facts of one stream stand in the order of their places, whatever the clocks of devices say', async () => {
  server.passSeconds(60)
  const sent = '2026-03-02T12:00:00.000Z'
  const enter = (kind: string, body: object, at: string) =>
    server.send(
      'POST',
      `/streams/setup/${setup}/facts?${new URLSearchParams({ at, sent, device: uuid() })}`,
      { id: uuid(), kind, body },
    )
  const typed = mm('-250.000')
  await enter('key-in', { address: 'H1', mode: 'set', typed }, '2026-03-02T11:59:59.500Z')
  await enter(
    ...(['read-back', { address: 'H1', moment: 'after', shown: typed }] as const),
    '2026-03-02T11:59:59.400Z',
  )
  expect((await words({ register: 'H1' })).slice(0, 2)).toEqual([
    'H1 shows −250.000 mm.',
    'H1 was set to −250.000 mm.',
  ])
})

test('what is no end of a page, no day and no id is refused', async () => {
  for (const asked of ['before=x', 'before=2026-01-01_x_1', 'from=today', 'person=Jory'])
    expect((await server.send('GET', `/log?${asked}`)).status).toBe(422)
})
