import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { monteCarlo } from '../src/budget'
import { fitCircle, type Point } from '../src/features'
import {
  edgeAngle,
  fullDiameterHeight,
  runOut,
  turnedCorner,
  type EdgeTouch,
} from '../src/features/edge'
import { sweepMove, sweepOval } from '../src/features/sweep'
import { type Face } from '../src/touch'
import { Chance } from './random'

const fit = (points: readonly Point[]) => {
  const result = fitCircle(points)
  if (!result.ok) throw new Error(result.problem.received)
  return result.value
}
const arc = (chance: Chance, n: number, sweep: number, noise: number) => {
  const [cx, cy, r, from] = [
    chance.next() * 600 - 300,
    chance.next() * 600 - 300,
    5 + chance.next() * 80,
    chance.next() * 2 * Math.PI,
  ]
  const points = Array.from({ length: n }, (_, index) => {
    const angle = from + (sweep * index) / (n - 1)
    const distance = r + noise * (chance.next() - 0.5)
    return { x: cx + distance * Math.cos(angle), y: cy + distance * Math.sin(angle) }
  })
  return { cx, cy, r, points }
}

describe('circle', () => {
  // Gander, Golub, Strebel, BIT 34 (1994): centre (4.7398, 2.9835), radius 4.7142.
  test('the published example', () => {
    const { centre, radius, proven } = fit(
      [
        [1, 7],
        [2, 6],
        [5, 8],
        [7, 7],
        [9, 5],
        [3, 7],
      ].map(([x, y]) => ({ x: x!, y: y! })),
    )
    expect(centre.x).toBeCloseTo(4.7398, 4)
    expect(centre.y).toBeCloseTo(2.9835, 4)
    expect(radius).toBeCloseTo(4.7142, 4)
    expect(proven).toBe(true)
  })

  test('three points fit always, and are called unproven', () => {
    const { residuals, proven } = fit([
      { x: 0, y: 10 },
      { x: 10, y: 0 },
      { x: -10, y: 0 },
    ])
    expect(Math.max(...residuals.map(Math.abs))).toBeLessThan(1e-12)
    expect(proven).toBe(false)
  })

  test.each([
    [
      'two points',
      [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
      ],
    ],
    [
      'one place',
      [
        { x: 2, y: 2 },
        { x: 2, y: 2 },
        { x: 2, y: 2 },
      ],
    ],
    [
      'a line',
      [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
        { x: 2, y: 2 },
        { x: 3, y: 3 },
      ],
    ],
    [
      'a line with rounding in it',
      [
        { x: 0.1, y: 0.3 },
        { x: 0.2, y: 0.6 },
        { x: 0.3, y: 0.9 },
      ],
    ],
  ])('%s has no circle', (_, points) =>
    expect(fitCircle(points)).toMatchObject({
      ok: false,
      problem: { code: 'circle-undetermined' },
    }),
  )

  test('random circles are found again, from a short arc as well', () => {
    for (let seed = 1; seed <= 300; seed += 1) {
      const { cx, cy, r, points } = arc(new Chance(seed), 5, 1 + (seed % 5), 0)
      const { centre, radius } = fit(points)
      expect([seed, Math.hypot(centre.x - cx, centre.y - cy, radius - r) < 1e-7]).toEqual([
        seed,
        true,
      ])
    }
  })

  test('a general least-squares library finds the same circle in noise', () => {
    for (let seed = 1; seed <= 20; seed += 1) {
      const { points, cx, cy, r } = arc(new Chance(seed), 9, 5, 0.05)
      const ours = fit(points)
      const parameterized =
        ([x, y, radius]: number[]) =>
        (index: number) =>
          Math.hypot(points[index]!.x - x!, points[index]!.y - y!) - radius!
      const { parameterValues } = levenbergMarquardt(
        { x: points.map((_, index) => index), y: points.map(() => 0) },
        parameterized,
        {
          initialValues: [cx, cy, r],
          maxIterations: 200,
          errorTolerance: 0,
          damping: 1e-3,
          gradientDifference: 1e-6,
          centralDifference: true,
        },
      )
      expect(parameterValues[0]).toBeCloseTo(ours.centre.x, 5)
      expect(parameterValues[1]).toBeCloseTo(ours.centre.y, 5)
      expect(parameterValues[2]).toBeCloseTo(ours.radius, 5)
    }
  })

  test('the linear uncertainty of the centre agrees with Monte Carlo within 5 %', () => {
    const { points } = arc(new Chance(5), 6, 5.2, 0)
    const { jacobian } = fit(points)
    const u = 0.01
    const linear =
      Math.sqrt(jacobian.reduce((sum, { xByX, xByY }) => sum + xByX ** 2 + xByY ** 2, 0)) * u
    const chance = new Chance(6)
    const inputs = points.flatMap(({ x, y }) => [
      { mean: x, standard: u },
      { mean: y, standard: u },
    ])
    const model = (values: readonly number[]) => {
      const { centre } = fit(
        points.map((_, index) => ({ x: values[2 * index]!, y: values[2 * index + 1]! })),
      )
      return [centre.x]
    }
    const [sampled] = monteCarlo(inputs, model, 8000, () => chance.next())
    expect(Math.abs(linear / sampled!.standard - 1)).toBeLessThan(0.05)
  })
})

describe('indicator sweep', () => {
  // A bore whose axis lies 0.03 to the right and 0.02 to the front of the spindle: its right wall is
  // further away (the dial reads less there), its front wall too.
  test('in a bore, move half the difference away from where it reads more', () => {
    expect(sweepMove({ right: -0.03, left: 0.03, front: -0.02, back: 0.02 }, true)).toEqual({
      x: 0.03,
      y: -0.02,
    })
  })
  test('round a boss, towards where it reads more', () => {
    expect(sweepMove({ right: 0.03, left: -0.03, front: 0.02, back: -0.02 }, false)).toEqual({
      x: 0.03,
      y: -0.02,
    })
  })
  test('an oval bore shows in the two pairs', () => {
    expect(sweepOval({ right: 0.01, left: 0.01, front: -0.01, back: -0.01 })).toBeCloseTo(0.02, 12)
  })
})

describe('edges and corners', () => {
  test('one degree over 100 mm costs 1.7455 mm (tan 1°, any table)', () => {
    const rise = 100 * Math.tan(Math.PI / 180)
    const touch = (x: number, y: number, standOff = 5) => ({ x, y, standOff })
    const angle = (face: Face, a: EdgeTouch, b: EdgeTouch) => {
      const result = edgeAngle(face, a, b)
      return result.ok ? result.value : NaN
    }
    const degree = Math.PI / 180
    expect(runOut(degree, 100)).toBeCloseTo(1.7455, 4)
    // Counter-clockwise: the right end of a front face lies further back, the back end of a left face further left.
    expect(angle('front', touch(0, 0), touch(100, rise))).toBeCloseTo(degree, 12)
    expect(angle('back', touch(100, rise), touch(0, 0))).toBeCloseTo(degree, 12)
    expect(angle('left', touch(0, 0), touch(-rise, 100))).toBeCloseTo(degree, 12)
    expect(angle('right', touch(0, 0), touch(rise, 100))).toBeCloseTo(-degree, 12)
    // Wherever the part lies on the table.
    expect(angle('front', touch(-400, -250), touch(-300, -250 + rise))).toBeCloseTo(degree, 12)
    expect(angle('left', touch(-400, -250), touch(-400 - rise, -150))).toBeCloseTo(degree, 12)
    expect(edgeAngle('front', touch(3, 0), touch(3, 1))).toMatchObject({
      ok: false,
      problem: { code: 'edge-undetermined' },
    })
  })

  test.each<[Face, (standOff: number) => EdgeTouch]>([
    ['front', (standOff) => ({ x: 80, y: -standOff, standOff })],
    ['back', (standOff) => ({ x: 80, y: standOff, standOff })],
    ['left', (standOff) => ({ x: -standOff, y: 80, standOff })],
    ['right', (standOff) => ({ x: standOff, y: 80, standOff })],
  ])('a shim at one of the touches does not turn the %s face', (face, touch) => {
    const first = { front: [0, -5], back: [0, 5], left: [-5, 0], right: [5, 0] }[face]
    const found = edgeAngle(face, { x: first[0]!, y: first[1]!, standOff: 5 }, touch(6))
    expect(found.ok && found.value).toBeCloseTo(0, 12)
  })

  test('a turned corner is found wherever it lies and however it is turned', () => {
    for (let seed = 1; seed <= 300; seed += 1) {
      const chance = new Chance(seed)
      const corner = { x: chance.next() * 400, y: chance.next() * 400 }
      const turn = (chance.next() - 0.5) * 1.2
      const r = 1 + chance.next() * 5
      const place = (along: number, across: number) => ({
        x: corner.x + along * Math.cos(turn) - across * Math.sin(turn),
        y: corner.y + along * Math.sin(turn) + across * Math.cos(turn),
      })
      // The sensor's axis stands a radius outside of each face.
      const [base, side] = [
        chance.of(['front', 'back'] as const),
        chance.of(['left', 'right'] as const),
      ]
      const [out, off] = [base === 'front' ? -r : r, side === 'left' ? -r : r]
      const touched = (along: number, across: number) => ({ ...place(along, across), standOff: r })
      const found = turnedCorner({
        base: { face: base, touches: [touched(20, out), touched(80, out)] },
        side: { face: side, touch: touched(off, 30) },
      })
      if (!found.ok) throw new Error('refused')
      expect([
        seed,
        Math.hypot(found.value.corner.x - corner.x, found.value.corner.y - corner.y) < 1e-9,
      ]).toEqual([seed, true])
      expect(found.value.radians).toBeCloseTo(turn, 12)
    }
  })

  test('a 6 mm bit of 60° has its full diameter 5.196 mm above the tip', () => {
    expect(fullDiameterHeight(6, Math.PI / 6)).toBeCloseTo(5.196152, 6)
    expect(() => fullDiameterHeight(6, 0)).toThrow('half angle')
  })
})

describe('how well a circle fits', () => {
  // Four points around (−300, 200), each this much outside or inside of radius 40.
  const off = [0.03, -0.03, 0.03, -0.03]
  const around = off.map((by, index) => ({
    x: -300 + (40 + by) * Math.cos((index * Math.PI) / 2),
    y: 200 + (40 + by) * Math.sin((index * Math.PI) / 2),
  }))

  test('residuals are in millimetres, outwards, in the order of the points', () => {
    const fit = fitCircle(around)
    if (!fit.ok) throw new Error(fit.problem.code)
    expect(fit.value.centre.x).toBeCloseTo(-300, 9)
    expect(fit.value.centre.y).toBeCloseTo(200, 9)
    expect(fit.value.radius).toBeCloseTo(40, 9)
    for (const [index, residual] of fit.value.residuals.entries())
      expect(residual).toBeCloseTo(off[index]!, 9)
    expect(fit.value.roundness).toBeCloseTo(0.06, 9)
  })

  test.each([
    ['all but on a line', [0, 1e-12, 0, 0]],
    ['on a line', [0, 0, 0, 0]],
  ])('points that lie %s are no circle', (_, bend) => {
    const line = bend.map((by, index) => ({ x: index * 10, y: index * 20 + by }))
    expect(fitCircle(line)).toMatchObject({ ok: false, problem: { code: 'circle-undetermined' } })
  })
})

test.each([0, -0.1, Math.PI / 2, 2, NaN])(
  'a bit of a half angle of %p has no full diameter',
  (half) => {
    expect(() => fullDiameterHeight(6, half)).toThrow('half angle lies between 0 and π/2')
  },
)
