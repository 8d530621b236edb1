import { canBeTaken, takePosition, type MachineReport } from '../src/plan'
import { describeAgainst } from '../src/words'
import { leftTouch, mm, setupOf, tipTouch, workedSheet } from './worked-example'

const sheet = workedSheet()
const setter = sheet.gauges.find(({ kind }) => kind === 'height-setter')!.id
const finder = sheet.gauges.find(({ kind }) => kind === 'edge-finder')!.id

const REPORT: MachineReport = {
  ...{ device: 'Mill 2', instance: 7, sequence: 41, at: '2026-12-02T10:00:00Z', apartMs: 12 },
  ...{ isAvailable: true, isMoving: false, tool: 1, spindle: 0, emergencyStop: false },
  machine: { X: -412_300_000, Y: -210_000_000, Z: -270_000_400 },
  homed: { X: true, Y: true, Z: true },
}
const TIP = { of: 'tip-on-plane', tool: 1 } as const
const FACE = { of: 'face', row: 'G54', face: 'left' } as const
const document = setupOf(sheet, [])
const tip = (report: Partial<MachineReport> = {}) =>
  takePosition(document, TIP, [setter], { ...REPORT, ...report })
const face = (report: Partial<MachineReport> = {}) =>
  takePosition(document, FACE, [finder], { ...REPORT, spindle: 900, ...report })

test('the position of the axis that is read comes as the control shows it, with what the machine said beside it', () => {
  expect(tip()).toEqual({
    numbers: { read: mm('-270.000') },
    captured: {
      ...{ agent: 'Mill 2', instance: 7, sequence: 41, at: '2026-12-02T10:00:00Z' },
      ...{ tool: 1, spindle: 0 },
    },
  })
  expect(face()?.numbers).toEqual({ read: mm('-412.300') })
  const inches = setupOf({ ...sheet, unit: 'in' }, [])
  // 270.0004 mm are 10.62994 in.
  expect(takePosition(inches, TIP, [setter], REPORT)?.numbers).toEqual({
    read: { text: '-10.6299', unit: 'in' },
  })
  expect(
    takePosition(document, { of: 'circle-point', row: 'G54', point: 1 } as never, [], REPORT)
      ?.numbers,
  ).toEqual({ read: mm('-412.300'), readY: mm('-210.000') })
})

test.each([
  ['moving', { isMoving: true }, 'The axis was moving.'],
  ['late', { apartMs: -2001 }, 'more than 2 s old'],
  ['late', { apartMs: 2001 }, 'more than 2 s old'],
  ['not-homed', { homed: { Z: false } }, 'The axis is not homed'],
  ['other-tool', { tool: 2 }, 'has T2 in the spindle'],
  ['other-tool', { tool: 0 }, 'has no tool'],
  ['turning', { spindle: 500 }, 'The spindle turns at 500 rpm'],
  ['emergency-stop', { emergencyStop: true }, 'emergency stop'],
  ['alarm', { alarm: 'X is at its end' }, 'shows an alarm'],
] as const)('%s speaks against taking it', (code, report, words) => {
  const taken = tip(report)
  expect(taken?.captured.against).toEqual([code])
  expect(describeAgainst(taken!.captured)[0]).toContain(words)
})

test('what it does not tell speaks against nothing; another axis that is not homed neither', () => {
  const { tool: _tool, spindle: _spindle, emergencyStop: _stop, ...bare } = REPORT
  const taken = takePosition(document, TIP, [setter], { ...bare, homed: { X: false } })
  expect(taken?.captured).not.toHaveProperty('against')
  expect(tip({ apartMs: 2000 })?.captured).not.toHaveProperty('against')
})

test('a finder is read while it turns, and no tool of the sheet is asked of it', () => {
  expect(face()?.captured).not.toHaveProperty('against')
  expect(face({ tool: 20 })?.captured).not.toHaveProperty('against')
  expect(face({ spindle: 0 })?.captured.against).toEqual(['still'])
})

test('the bare nose is report as no tool', () => {
  const nose = (tool: number) =>
    takePosition(document, { of: 'nose-on-plane' }, [setter], { ...REPORT, tool })
  expect(nose(0)?.captured).toMatchObject({ tool: null })
  expect(nose(0)?.captured).not.toHaveProperty('against')
  expect(nose(3)?.captured.against).toEqual(['other-tool'])
})

test('another machine than the one that report before is pointed out', () => {
  const before = { ...tipTouch(), captured: tip()!.captured }
  const then = (device: string) =>
    takePosition(setupOf(sheet, [before, leftTouch()]), TIP, [setter], { ...REPORT, device })
  expect(then('Mill 2')?.captured).not.toHaveProperty('against')
  expect(then('Mill 3')?.captured.against).toEqual(['other-machine'])
})

test('no power, no position of that axis, and what is no position of the machine: nothing is taken', () => {
  expect(tip({ isAvailable: false })).toBeUndefined()
  expect(tip({ machine: { X: 0 } })).toBeUndefined()
  expect(canBeTaken(TIP)).toBe(true)
  expect(canBeTaken(FACE)).toBe(true)
  for (const kind of ['carried-difference', 'sweep', 'fixture-difference'])
    expect(canBeTaken({ of: kind, row: 'G54', tool: 1 } as never)).toBe(false)
})
