import {
  budgetOf,
  monteCarlo,
  fitCircle,
  solve,
  turnedCorner,
  edgeAngle,
  valueOf,
  type AxisPlan,
  type Reading,
} from '../src'
import { Chance } from './random'
import { mm, readingOf, workedDocument, workedSheet } from './worked-example'

const withPlan = (plan: AxisPlan, readings: readonly Reading[]) =>
  workedDocument({ offsets: [{ ...workedSheet().offsets[0]!, X: plan, Y: plan }] }, readings)
const point = (n: number, x: number, y: number) =>
  readingOf<'circle-point'>({
    of: 'circle-point',
    row: 'G54',
    point: n,
    read: mm(x.toFixed(6)),
    readY: mm(y.toFixed(6)),
    with: ['finder'],
  })

/** Positions of the spindle axis around a centre; a 10 mm finder stands 5 outside of a boss, inside of a bore. */
const around = (cx: number, cy: number, radius: number, angles: readonly number[]) =>
  angles.map((angle, index) =>
    point(index + 1, cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)),
  )

describe('bore and boss from touches around', () => {
  const bore = {
    by: 'circle',
    side: 'inside',
    diameter: mm('40'),
    tolerance: mm('0.05'),
    drawing: mm('12.5'),
  } as const
  const boss = { ...bore, side: 'outside' } as const
  const angles = [0.2, 1.5, 3.0, 4.4, 5.6]

  test('a 40 mm bore: the axis stands 15 from its centre, the drawing says 12.5', () => {
    const solution = solve(withPlan(bore, around(-300, -200, 15, angles)))
    const at = (address: string) =>
      solution.registers.find((register) => register.address === address)?.value
    expect([at('G54.X'), at('G54.Y')]).toEqual([-312_500_000, -212_500_000])
    expect(solution.sizes[0]?.implied).toBeCloseTo(40e6, -1)
    expect(solution.sizes[0]?.agrees).toBe(true)
  })

  test('a 40 mm boss: the axis stands 25 from its centre', () => {
    const solution = solve(withPlan(boss, around(-300, -200, 25, angles)))
    expect(solution.sizes[0]?.agrees).toBe(true)
    expect(solve(withPlan(boss, around(-300, -200, 15, angles))).sizes[0]?.agrees).toBe(false)
  })

  test('the finder forgotten in a bore is found by the size', () => {
    const [size] = solve(withPlan(bore, around(-300, -200, 20, angles))).sizes
    expect(size?.agrees).toBe(false)
  })

  test('points on a line are a problem with a place, and leave the register unread', () => {
    const solution = solve(
      withPlan(bore, [point(1, 0, 0), point(2, 1, 1), point(3, 2, 2), point(4, 3, 3)]),
    )
    expect(solution.problems).toMatchObject([
      { code: 'circle-undetermined', place: 'circle-point:G54' },
    ])
    expect(solution.registers.find(({ address }) => address === 'G54.X')?.state).toBe('not-read')
  })

  test('the chain of a centre sums to the fit, and its budget agrees with Monte Carlo within 5 %', () => {
    const readings = around(-300, -200, 15, angles)
    const document = withPlan(bore, readings)
    const { chain, value } = solve(document).registers.find(({ address }) => address === 'G54.X')!
    expect(valueOf(chain!)).toBe(value)
    const linear = budgetOf(chain!).standardMm
    const chance = new Chance(3)
    const each = Math.hypot(0.005, 1e-6 / Math.sqrt(12))
    const inputs = angles.flatMap((angle) => [
      { mean: -300 + 15 * Math.cos(angle), standard: each },
      { mean: -200 + 15 * Math.sin(angle), standard: each },
    ])
    const [sampled] = monteCarlo(
      inputs,
      (values) => {
        const fit = fitCircle(
          angles.map((_, index) => ({ x: values[2 * index]!, y: values[2 * index + 1]! })),
        )
        return [fit.ok ? fit.value.centre.x : NaN]
      },
      8000,
      () => chance.next(),
    )
    expect(Math.abs(linear / sampled!.standard - 1)).toBeLessThan(0.05)
  })
})

test('a swept dial: position plus half the difference of opposite readings', () => {
  const plan = { by: 'sweep', side: 'inside', drawing: mm('0') } as const
  const dial = { right: mm('-0.030'), left: mm('0.030'), front: mm('-0.020'), back: mm('0.020') }
  const document = withPlan(plan, [
    readingOf<'sweep'>({
      of: 'sweep',
      row: 'G54',
      read: mm('-300'),
      readY: mm('-200'),
      dial,
      with: [],
    }),
  ])
  const solution = solve(document)
  const at = (address: string) =>
    solution.registers.find((register) => register.address === address)?.value
  expect([at('G54.X'), at('G54.Y')]).toEqual([-299_970_000, -200_020_000])
})

/** Linear uncertainty of one output of a model, by central differences. */
function linearised(
  model: (values: readonly number[]) => number,
  inputs: readonly { mean: number; standard: number }[],
): number {
  const means = inputs.map(({ mean }) => mean)
  return Math.hypot(
    ...inputs.map(({ standard }, index) => {
      const moved = (by: number) =>
        model(means.map((mean, at) => (at === index ? mean + by : mean)))
      return ((moved(1e-5) - moved(-1e-5)) / 2e-5) * standard
    }),
  )
}

// The features that are not linear, each with the spread of a good touch, 0.005 mm.
test.each<[string, (values: readonly number[]) => number, readonly number[]]>([
  [
    'edge angle',
    ([along = 0, rise = 0]) => {
      const edge = edgeAngle(
        'front',
        { x: 0, y: 0, standOff: 5 },
        { x: along, y: rise, standOff: 5 },
      )
      return edge.ok ? edge.value : NaN
    },
    [80, 1.2],
  ],
  [
    'turned corner X',
    (v) => {
      const corner = turnedCorner({
        base: {
          face: 'front',
          touches: [
            { x: v[0]!, y: v[1]!, standOff: 5 },
            { x: v[2]!, y: v[3]!, standOff: 5 },
          ],
        },
        side: { face: 'left', touch: { x: v[4]!, y: v[5]!, standOff: 5 } },
      })
      return corner.ok ? corner.value.corner.x : NaN
    },
    [20, -5, 80, -4, -5, 30],
  ],
])('%s: the linear uncertainty agrees with Monte Carlo within 5 %%', (_, model, means) => {
  const inputs = means.map((mean) => ({ mean, standard: 0.005 }))
  const chance = new Chance(9)
  const [sampled] = monteCarlo(
    inputs,
    (values) => [model(values)],
    8000,
    () => chance.next(),
  )
  expect(Math.abs(linearised(model, inputs) / sampled!.standard - 1)).toBeLessThan(0.05)
})
