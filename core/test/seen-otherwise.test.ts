import { captureAt, stepsOf } from '../src/plan'
import type { Reading, SetupDocument } from '../src/facts'
import type { Proof } from '../src/facts/bodies/proving'
import type { SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import {
  fact,
  leftTouch,
  mm,
  planeReadings,
  readingOf,
  setupOf,
  shown,
  workedSheet,
} from './worked-example'

const valueAt = (setup: SetupDocument, address: string) =>
  solve(setup).registers.find((one) => one.address === address)?.value

describe('moved on over the face by half the tip', () => {
  // The same face: the 10 mm finder kicks at −412.3 and is moved on by 5 to −407.3.
  const over = (): Reading => ({ ...leftTouch(), read: mm('-407.300'), movedOver: true }) as Reading

  test('its radius is not taken again', () => {
    expect(valueAt(setupOf(workedSheet(), [leftTouch()]), 'G54.X')).toBe(-347_300_000)
    expect(valueAt(setupOf(workedSheet(), [over()]), 'G54.X')).toBe(-347_300_000)
    // Not said, it is a false alarm of half the tip: 5 mm.
    const unsaid = { ...leftTouch(), read: mm('-407.300') } as Reading
    expect(valueAt(setupOf(workedSheet(), [unsaid]), 'G54.X')).toBe(-342_300_000)
  })

  test('captured there, what is told is what the drawing calls the face', () => {
    const base = workedSheet()
    const control = { ...base.machine.control, workOffsetKey: 'position' as const }
    const setup = setupOf({ ...base, machine: { ...base.machine, control } }, [])
    const { read: _, ...toBe } = over()
    expect(captureAt({ ...setup, length: 1_000_000 }, toBe as never)).toMatchObject({
      address: 'G54.X',
      type: '-60.000',
    })
  })
})

test('a dial that counts down when it is pushed in moves the middle the other way', () => {
  const [offset] = workedSheet().offsets
  const plan = { by: 'sweep', side: 'inside', drawing: mm('0') } as const
  const sheet: SetupSheet = workedSheet({ offsets: [{ ...offset!, X: plan, Y: plan }] })
  const swept = (dialFalls: boolean) =>
    readingOf<'sweep'>({
      of: 'sweep',
      row: 'G54',
      read: mm('-300.000'),
      readY: mm('-200.000'),
      with: [],
      dial: { left: mm('0.00'), right: mm('0.10'), front: mm('0.00'), back: mm('0.00') },
      ...(dialFalls && { dialFalls: true as const }),
    })
  const [rises, falls] = [false, true].map(
    (down) => (valueAt(setupOf(sheet, [swept(down)]), 'G54.X') ?? NaN) / 1e6 + 300,
  )
  expect(Math.abs(rises!)).toBeCloseTo(0.05, 6)
  expect(falls).toBeCloseTo(-rises!, 6)
})

describe('a proof by eye', () => {
  const readBacks = [
    shown('H1', '-270.000'),
    shown('G54.X', '-347.300'),
    shown('G54.Y', '-210.000'),
    shown('G54.Z', '-30.000'),
  ]
  const prove = (body: Partial<Proof>): Proof => ({
    row: 'G54',
    tool: 1,
    clearance: mm('25.000'),
    gap: mm('25.000'),
    overZero: true,
    ...body,
    ...fact(),
  })
  const setup = (body: Partial<Proof>) => {
    const readings = planeReadings()
    return { ...setupOf(workedSheet(), readings), readBacks, proofs: [prove(body)] }
  }
  const stateOf = (document: SetupDocument) => ({
    register: solve(document).registers.find(({ address }) => address === 'H1')?.state,
    step: stepsOf(document, solve(document), false).find(({ step }) => step.key === 'prove:G54:T1')
      ?.done,
  })
  const keyedLater = shown('H1', '-270.000')

  test('lets the work go on, and proves no number', () => {
    const later = { ...setup({ byEye: true }), readBacks }
    const seen = { ...later, proofs: [prove({ byEye: true })] }
    expect(stateOf(seen)).toEqual({ register: 'keyed', step: true })
    expect(stateOf({ ...seen, proofs: [prove({})] })).toEqual({ register: 'proven', step: true })
  })

  test('two millimetres too deep look right to an eye, and not to a block; ten to neither', () => {
    const right = (body: Partial<Proof>) =>
      solve({ ...setup({}), proofs: [prove(body)] }).proofs[0]?.right
    expect([right({ byEye: true, gap: mm('23.0') }), right({ gap: mm('23.0') })]).toEqual([
      true,
      false,
    ])
    expect(right({ byEye: true, gap: mm('15.0') })).toBe(false)
  })

  test('what is keyed after it is not covered', () => {
    const before = {
      ...setup({}),
      proofs: [{ ...prove({ byEye: true }), place: keyedLater.place - 1 }],
    }
    expect(stateOf({ ...before, readBacks: [...readBacks, keyedLater] }).step).toBe(false)
  })
})
