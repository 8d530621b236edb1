import { begins, declares, enters } from './entering'
import { v7 as uuid } from 'uuid'
import type { MachineHistory } from '@pine/contract'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// A machine over time: what its control holds and who keyed it, how its screws were tested, what it was declared to be.

let server: Harness
const machine = uuid()
const declared = { ...sheetOf(1).machine, name: 'Mill 2' }

beforeAll(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller', '2468', 'lead')
  await server.send(...declares('machine', { id: machine, machine: declared }))
})
afterAll(() => server.close())

async function begin(name: string): Promise<string> {
  const id = uuid()
  const sheet = { ...sheetOf(1), name, machineId: machine }
  const made = await server.send(...begins({ id, sheetFactId: uuid(), sheet }))
  expect(made.status).toBe(201)
  return id
}

async function say(setup: string, kind: string, body: object): Promise<void> {
  const answer = await server.send('POST', `/streams/setup/${setup}/facts`, {
    id: uuid(),
    kind,
    body,
  })
  expect([answer.status, answer.body.error]).toEqual([201, undefined])
  server.passSeconds(1)
}

const keyed = (setup: string, address: string, text: string) =>
  say(setup, 'key-in', { address, mode: 'set', typed: mm(text) })
const seen = (setup: string, address: string, text: string) =>
  say(setup, 'read-back', { address, moment: 'after', shown: mm(text) })

const history = async () =>
  (await server.send('GET', `/machines/${machine}/history`)).body as MachineHistory
const held = async () =>
  (await history()).offsets.map(
    ({ address, shown, isSeen, by, name }) =>
      `${address} ${shown?.text} ${isSeen ? 'seen' : 'typed'} by ${by} in ${name}`,
  )

test('what its control holds is what was shown or typed last, register by register, over its set-ups', async () => {
  const first = await begin('Ring')
  await keyed(first, 'H1', '-270.000')
  await seen(first, 'H1', '-270.000')
  await keyed(first, 'G54.X', '-347.300')
  expect(await held()).toEqual([
    'G54.X -347.300 typed by Mira Toller in Ring',
    'H1 -270.000 seen by Mira Toller in Ring',
  ])
  const second = await begin('Cover')
  await server.signInAs('Jory Fenn', '2468')
  await keyed(second, 'G54.X', '-120.000')
  await seen(second, 'G54.X', '-120.001')
  expect(await held()).toEqual([
    'G54.X -120.001 seen by Jory Fenn in Cover',
    'H1 -270.000 seen by Mira Toller in Ring',
  ])
  // Typed again in the first job, later than in the second: that stands now.
  await keyed(first, 'G54.X', '-347.300')
  expect((await held())[0]).toBe('G54.X -347.300 typed by Jory Fenn in Ring')
})

test('what was typed as a difference or a position is not told as what the row holds', async () => {
  const setup = await begin('By a difference')
  await say(setup, 'key-in', { address: 'G54.Y', mode: 'add', typed: mm('-0.020') })
  const row = async () => (await history()).offsets.find(({ address }) => address === 'G54.Y')
  expect(await row()).toMatchObject({ isSeen: false })
  expect(await row()).not.toHaveProperty('shown')
  await seen(setup, 'G54.Y', '-210.020')
  expect(await row()).toMatchObject({ isSeen: true, shown: { text: '-210.020' } })
})

test('another machine’s set-ups tell nothing of it', async () => {
  const other = uuid()
  await server.signInAs('Mira Toller')
  await server.send(...declares('machine', { id: other, machine: { ...declared, name: 'Mill 3' } }))
  const { body } = await server.send('GET', `/machines/${other}/history`)
  expect((body as MachineHistory).offsets).toEqual([])
  expect((await server.send('GET', `/machines/${uuid()}/history`)).status).toBe(404)
  expect((await server.send('GET', '/machines/none/history')).status).toBe(404)
})

test('a reversal test stays as it was made, once, and counts only when the machine is declared with it', async () => {
  const pairs = ['10.012', '20.013', '30.011'].map((text) => ({
    towardsPlus: mm(text),
    towardsMinus: mm(`${text.slice(0, 2)}.000`),
  }))
  const test = { id: uuid(), axis: 'Z', pairs }
  const sent = enters('machine', machine, 'reversal-test', test)
  expect((await server.send(...sent)).status).toBe(201)
  expect((await server.send(...sent)).status).toBe(201)
  const { reversals, machine: now } = await history()
  expect(reversals).toMatchObject([{ axis: 'Z', by: 'Mira Toller', pairs }])
  expect(now.lostMotion).toBeUndefined()
  const counted = { ...declared, lostMotion: { Z: mm('0.012') } }
  const reason = 'reversal test of three pairs'
  await server.send(...declares('machine', { id: machine, machine: counted, reason }))
  const after = await history()
  expect(after.machine.lostMotion?.Z?.text).toBe('0.012')
  expect(after.declared.map((one) => one.reason)).toEqual([reason, undefined])
  const without = enters('machine', machine, 'reversal-test', { ...test, pairs: [] })
  expect((await server.send(...without)).status).toBe(422)
  expect(
    (await server.send(...enters('machine', uuid(), 'reversal-test', { ...test, id: uuid() })))
      .status,
  ).toBe(404)
})

test('what happened to it is told, in set-ups and outside of them, the youngest first', async () => {
  const setup = await begin('Moved')
  await say(setup, 'event', { kind: 'plane-moved' })
  const event = { id: uuid(), what: 'home-lost', note: 'power cut' }
  await server.send(...enters('machine', machine, 'machine-event', event))
  const { happened } = await history()
  expect(
    happened
      .map(({ what, name }) => `${what} ${name}`)
      .slice(-2)
      .toSorted(),
  ).toEqual(['home-lost power cut', 'plane-moved Moved'])
})

describe('the list of set-ups', () => {
  const blocksOf = async (id: string) => {
    const { body } = await server.send('GET', '/setups')
    return (body.setups as { id: string; blocks: string | null }[]).find((one) => one.id === id)
      ?.blocks
  }
  const tip = (setup: string, read: string) =>
    say(setup, 'reading', { of: 'tip-on-plane', tool: 1, read: mm(read), with: [] })

  test('says what stands in the way: what disagrees first, else how many numbers no longer hold', async () => {
    const setup = await begin('In the way')
    expect(await blocksOf(setup)).toBeNull()
    await tip(setup, '-220.000')
    await keyed(setup, 'H1', '-220.000')
    expect(await blocksOf(setup)).toBeNull()
    await say(setup, 'event', { kind: 'plane-moved' })
    expect(await blocksOf(setup)).toBe('One number no longer holds.')
    await tip(setup, '-221.000')
    expect(await blocksOf(setup)).toBeNull()
    await keyed(setup, 'H1', '-221.000')
    await seen(setup, 'H1', '-212.000')
    expect(await blocksOf(setup)).toBe(
      'H1: the control does not show what it should; it is off by 9.000 mm.',
    )
  })
})

test('a machine whose numbers cannot be is refused at its field, new or corrected, and stays as it was', async () => {
  const travels = { X: { min: mm('-500'), max: mm('0') } }
  const wrong = [
    [{ lostMotion: { Y: mm('-0.01') } }, 'body.lostMotion.Y'],
    [{ travels: { X: { min: mm('x'), max: mm('0') } } }, 'body.travels.X.min'],
    [{ travels, toolChange: { X: mm('12') } }, 'body.toolChange.X'],
    [{ quill: { travel: mm('0') } }, 'body.quill.travel'],
  ] as const
  for (const [changes, place] of wrong) {
    const of = { ...declared, ...changes }
    const made = await server.send(...declares('machine', { id: uuid(), machine: of }))
    expect([made.status, made.body.error.place]).toEqual([422, place])
    const again = declares('machine', { id: machine, machine: of, reason: 'measured' })
    const changed = await server.send(...again)
    expect([changed.status, changed.body.error.place]).toEqual([422, place])
  }
  expect((await history()).machine).not.toHaveProperty('travels')
})
