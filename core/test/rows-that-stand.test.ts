import { checkDocument, type SetupDocument } from '../src/facts'
import { stepsOf } from '../src/plan'
import { proofsNeeded } from '../src/proof'
import type { SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { event, leftTouch, mm, setupOf, shown, tipTouch, workedSheet } from './worked-example'

const [offset] = workedSheet().offsets
const BY_TOOL: Partial<SetupSheet> = {
  school: 'gauge-line',
  offsets: [{ ...offset!, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } }],
}
const stands = (address: 'H1' | 'G54.X' | 'G54.Y' | 'G54.Z', holds: string, whose?: string) =>
  event({ kind: 'row-stands', address, holds: mm(holds), ...(whose && { whose }) })
const document = (
  facts: Partial<Pick<SetupDocument, 'readings' | 'events' | 'readBacks'>>,
  sheet: Partial<SetupSheet> = {},
): SetupDocument => ({ ...setupOf(workedSheet(sheet), facts.readings ?? []), ...facts })
const registerAt = (setup: SetupDocument, address: string) =>
  solve(setup).registers.find((one) => one.address === address)
const keys = (setup: SetupDocument) =>
  stepsOf(setup, solve(setup), false).map(({ step }) => step.key)

test('X and Y set this morning by another: not touched, looked at, and proven', () => {
  const setup = document({
    events: [stands('G54.X', '-347.300', 'Jory'), stands('G54.Y', '-210.000', 'Jory')],
    readBacks: [shown('G54.X', '-347.300'), shown('G54.Y', '-210.000')],
  })
  expect(checkDocument(setup)).toEqual([])
  expect(registerAt(setup, 'G54.X')).toMatchObject({ state: 'keyed', value: -347_300_000 })
  expect(registerAt(setup, 'G54.X')?.chain?.terms[0]?.source.name).toContain('set by Jory')
  expect(keys(setup)).not.toContain('face:G54:left')
  expect(keys(setup)).not.toContain('face:G54:front')
  expect(keys(setup)).toContain('tip-on-plane:T1')
  // The row is watched in the metal all the same.
  expect(proofsNeeded(setup, solve(setup)).map(({ row }) => row)).toEqual(['G54'])
  expect(keys(setup)).toContain('prove:G54:T1')
})

test('a length that stands serves Z by its tool: P + L on the part less H', () => {
  const top = { of: 'tip-on-part', row: 'G54', tool: 1, read: mm('-260.000'), with: [] } as const
  const reading = { ...tipTouch(), ...top }
  const setup = document(
    { events: [stands('H1', '80.000')], readBacks: [shown('H1', '80.000')], readings: [reading] },
    BY_TOOL,
  )
  expect(registerAt(setup, 'G54.Z')?.value).toBe(-340_000_000)
  expect(keys(setup)).not.toContain('tip-on-plane:T1')
  expect(keys(setup)).not.toContain('nose-on-plane')
})

test('on a control that subtracts, H stands as it is stored and is applied with the other sign', () => {
  const base = workedSheet(BY_TOOL)
  const machine = {
    ...base.machine,
    control: { ...base.machine.control, lengthSign: 'subtracted' as const },
  }
  const top = { of: 'tip-on-part', row: 'G54', tool: 1, read: mm('-260.000'), with: [] } as const
  const setup = document(
    { events: [stands('H1', '-80.000')], readings: [{ ...tipTouch(), ...top }] },
    { ...BY_TOOL, machine },
  )
  expect(registerAt(setup, 'H1')?.value).toBe(-80_000_000)
  expect(registerAt(setup, 'G54.Z')?.value).toBe(-340_000_000)
})

test.each([
  ['another part', { kind: 'part-changed', row: 'G54' }, ['G54.X']],
  ['another part elsewhere', { kind: 'part-changed', row: 'G55' }, []],
  ['the tool', { kind: 'tool-changed', tool: 1 }, ['H1']],
  ['home', { kind: 'home-lost' }, ['G54.X', 'H1']],
  ['the external offset of X', { kind: 'external-changed', axis: 'X', value: mm('1') }, ['G54.X']],
] as const)('%s takes what stood with it: it is touched again', (_, body, gone) => {
  const before = [stands('G54.X', '-347.300'), stands('H1', '-270.000')]
  const setup = document({ events: [...before, event(body)] })
  const open = (['G54.X', 'H1'] as const).filter(
    (address) => registerAt(setup, address)?.state === 'not-read',
  )
  expect(open).toEqual(gone)
  expect(keys(setup).includes('face:G54:left')).toBe((gone as readonly string[]).includes('G54.X'))
})

test('a plane that moved takes lengths and Z, and leaves X and Y', () => {
  const before = [stands('G54.X', '-347.300'), stands('G54.Z', '-30.000'), stands('H1', '-270.000')]
  const setup = document({ events: [...before, event({ kind: 'plane-moved' })] })
  const state = (address: string) => registerAt(setup, address)?.state
  expect([state('G54.X'), state('G54.Z'), state('H1')]).toEqual(['read', 'not-read', 'not-read'])
})

test('another zero on the sheet is another number: what stood for the old one is touched', () => {
  const said = event({
    kind: 'row-stands',
    address: 'G54.X',
    holds: mm('-347.300'),
    drawing: mm('-60.000'),
  })
  expect(registerAt(document({ events: [said] }), 'G54.X')?.state).toBe('read')
  const elsewhere = { ...offset!, X: { ...offset!.X, drawing: mm('0') } }
  const setup = document({ events: [said] }, { offsets: [elsewhere] })
  expect(registerAt(setup, 'G54.X')?.state).toBe('not-read')
  expect(keys(setup)).toContain('face:G54:left')
})

test('touched after all, the touch counts', () => {
  const before = stands('G54.X', '-300.000')
  const setup = document({ events: [before], readings: [leftTouch()] })
  expect(registerAt(setup, 'G54.X')?.value).toBe(-347_300_000)
  // What was read before it was said to stand does not.
  const reading = leftTouch()
  const after = document({ events: [stands('G54.X', '-300.000')], readings: [reading] })
  expect(registerAt(after, 'G54.X')?.value).toBe(-300_000_000)
})
