import { monteCarlo } from '../src/budget'
import { budgetOf } from '../src/budget/budget'
import { checkDocument, type Reading, type SetupDocument } from '../src/facts'
import { runOut, turnedCorner } from '../src/features/edge'
import { impliedBy, stepsOf } from '../src/plan'
import { type AxisPlan, type OffsetPlan } from '../src/sheet'
import { solve } from '../src/solve'
import { type Face } from '../src/touch'
import { Chance } from './random'
import { mm, readingOf, workedDocument, workedSheet } from './worked-example'

const at = (document: SetupDocument, address: string) =>
  solve(document).registers.find((register) => register.address === address)

const touch = (face: Face, point: number, x: number, y: number, using = ['finder']) =>
  readingOf<'edge-point'>({
    of: 'edge-point',
    row: 'G54',
    face,
    point,
    read: mm(x.toFixed(6)),
    readY: mm(y.toFixed(6)),
    with: using,
  })

const withPlans = (changes: Partial<OffsetPlan>, readings: readonly Reading[]) =>
  workedDocument({ offsets: [{ ...workedSheet().offsets[0]!, ...changes }] }, readings)

const corner = (x: 'left' | 'right', y: 'front' | 'back', drawing = ['0', '0']) => ({
  X: { by: 'turned-corner', face: x, drawing: mm(drawing[0]!) } as AxisPlan,
  Y: { by: 'turned-corner', face: y, drawing: mm(drawing[1]!) } as AxisPlan,
})

/** Touches with a 10 mm tip around a corner at `c`, turned counter-clockwise by `turn`. */
function aroundCorner(
  c: { x: number; y: number },
  turn: number,
  x: 'left' | 'right',
  y: 'front' | 'back',
) {
  const place = (along: number, across: number) =>
    [
      c.x + along * Math.cos(turn) - across * Math.sin(turn),
      c.y + along * Math.sin(turn) + across * Math.cos(turn),
    ] as const
  const [out, off] = [y === 'front' ? -5 : 5, x === 'left' ? -5 : 5]
  // The part lies to the right of a left face, and behind a front face.
  const [right, behind] = [x === 'left' ? 1 : -1, y === 'front' ? 1 : -1]
  return [
    touch(y, 1, ...place(right * 15, out)),
    touch(y, 2, ...place(right * 95, out)),
    touch(x, 1, ...place(off, behind * 40)),
  ]
}

describe('the corner of a turned part', () => {
  test('by hand: unturned, the corner lies a radius inside of each axis position', () => {
    const document = withPlans(
      corner('left', 'front'),
      aroundCorner({ x: -400, y: -250 }, 0, 'left', 'front'),
    )
    expect(document.readings.map(({ read }) => read.text)).toEqual([
      '-385.000000',
      '-305.000000',
      '-405.000000',
    ])
    expect([at(document, 'G54.X')?.value, at(document, 'G54.Y')?.value]).toEqual([
      -400_000_000, -250_000_000,
    ])
  })

  test('turned by half a degree it is still the corner, whichever of the four it is', () => {
    const turn = (0.5 * Math.PI) / 180
    for (const x of ['left', 'right'] as const)
      for (const y of ['front', 'back'] as const) {
        const document = withPlans(
          corner(x, y, ['12', '-7']),
          aroundCorner({ x: -400, y: -250 }, turn, x, y),
        )
        // Written to the nanometre, so the corner is right to a few of them.
        expect(at(document, 'G54.X')!.value! / 1e6).toBeCloseTo(-412, 5)
        expect(at(document, 'G54.Y')!.value! / 1e6).toBeCloseTo(-243, 5)
        expect(solve(document).edges).toMatchObject([
          { face: y, along: 'X', radians: expect.closeTo(turn, 7) },
        ])
        expect(solve(document).edges[0]!.runOut / 1e6).toBeCloseTo(120 * Math.tan(turn), 4)
      }
  })

  test('both axes are planned by it, or neither', () => {
    const document = withPlans({ X: corner('left', 'front').X }, [])
    expect(checkDocument(document)).toMatchObject([
      { code: 'corner-needs-both', place: 'sheet.offsets.0.X.by', received: 'one-face' },
    ])
    expect(solve(document).problems.map(({ code }) => code)).toContain('corner-needs-both')
  })

  test('touches in one place are a located problem, and no number', () => {
    const same = [
      touch('front', 1, -385, -255),
      touch('front', 2, -385, -255.2),
      touch('left', 1, -405, -210),
    ]
    const document = withPlans(corner('left', 'front'), same)
    expect(at(document, 'G54.X')).toMatchObject({ state: 'not-read' })
    expect(solve(document).problems).toMatchObject([
      { code: 'edge-undetermined', place: 'edge-point:G54:front' },
    ])
  })

  test('the steps ask for two touches on the base face and one on the other', () => {
    const document = withPlans(corner('right', 'back'), [])
    const plan = stepsOf(document, solve(document), false)
      .filter(({ step }) => step.station === 'plan' && step.does === 'read')
      .map(({ step }) => step.key)
    expect(plan).toEqual([
      'edge-point:G54:back:1',
      'edge-point:G54:back:2',
      'edge-point:G54:right:1',
    ])
  })

  test('its linear uncertainty agrees with Monte Carlo within 5 %', () => {
    const readings = aroundCorner({ x: -400, y: -250 }, 0.03, 'left', 'front')
    const document = withPlans(corner('left', 'front'), readings)
    const budget = budgetOf(at(document, 'G54.X')!.chain!)
    const inputs = [
      ...readings.flatMap((one) => [
        Number(one.read.text),
        Number('readY' in one && one.readY.text),
      ]),
      5,
    ].map((mean, index) => ({
      mean,
      standard: index === 6 ? 0.001 : Math.hypot(0.005, 1e-6 / Math.sqrt(12)),
    }))
    const model = (v: readonly number[]) => {
      const touched = (index: number) => ({ x: v[index]!, y: v[index + 1]!, standOff: v[6]! })
      const found = turnedCorner({
        base: { face: 'front', touches: [touched(0), touched(2)] },
        side: { face: 'left', touch: touched(4) },
      })
      return found.ok ? found.value.corner.x : NaN
    }
    const chance = new Chance(12)
    const [sampled] = monteCarlo(
      inputs,
      (values) => [model(values)],
      8000,
      () => chance.next(),
    )
    expect(Math.abs(budget.standardMm / sampled!.standard - 1)).toBeLessThan(0.05)
  })
})

describe('squaring an edge', () => {
  const edge = { face: 'back', tolerance: mm('0.02') } as const
  const squared = (rise: number) =>
    withPlans({ edge }, [
      touch('back', 1, -400, -100),
      touch('back', 2, -320, Number((-100 + rise).toFixed(6))),
    ])

  test('0.040 over 80 mm runs out 0.060 over the 120 mm part, and is pointed out', () => {
    const [found] = solve(squared(0.04)).edges
    expect(found).toMatchObject({ face: 'back', runOut: 60_000, agrees: false })
    expect(runOut(found!.radians, 120)).toBeCloseTo(0.06, 6)
    expect(solve(squared(0.04)).warnings).toMatchObject([
      { code: 'edge-turned', place: 'edge-point:G54:back:2', amount: 60_000, limit: 20_000 },
    ])
  })

  test('0.010 over 80 mm is square enough for 0.020', () => {
    expect(solve(squared(0.01)).edges[0]).toMatchObject({ runOut: 15_000, agrees: true })
    expect(solve(squared(0.01)).warnings).toEqual([])
  })

  test('its run-out is what the touch implies at once', () => {
    const document = squared(0.04)
    expect(
      impliedBy(document, solve(document), {
        of: 'edge-point',
        row: 'G54',
        face: 'back',
        point: 2,
      }),
    ).toMatchObject({ kind: 'edge', value: 60_000 })
  })
})
