import { linearRegression } from 'simple-statistics'
import { LONGEST_DAYS, intervalAdvice } from '../src/shop/check-interval'
import { controlChart } from '../src/shop/control-chart'
import { trendOf } from '../src/shop/trend'
import { Chance, trials } from './random'

// NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2: individuals control charts, the example of ten flow rates.
const FLOW = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]

describe('the individuals and moving range chart', () => {
  test('the handbook’s example: mean 50.81, limits 55.8041 and 45.8159', () => {
    const chart = controlChart(FLOW)!
    expect(chart.mean).toBeCloseTo(50.81, 10)
    expect(chart.movingRange).toBeCloseTo(1.8778, 4)
    expect(chart.upper).toBeCloseTo(55.8041, 4)
    expect(chart.lower).toBeCloseTo(45.8159, 4)
    expect(chart.points.every(({ signals }) => signals.length === 0)).toBe(true)
  })

  test('limits are taken from the first values, which a drift has not moved', () => {
    const drifting = [...FLOW, 55.9, 57, 58.1]
    const chart = controlChart(drifting, 10)!
    expect(chart.upper).toBeCloseTo(55.8041, 4)
    expect(chart.points.slice(10).map(({ signals }) => signals[0])).toEqual([
      'beyond-limit',
      'beyond-limit',
      'beyond-limit',
    ])
    // Taken from all of them the limits have gone along.
    expect(controlChart(drifting)!.upper).toBeGreaterThan(57)
  })

  test('one value tells nothing of how it scatters; the same value again and again has no width', () => {
    expect(controlChart([3])).toBeUndefined()
    expect(controlChart([])).toBeUndefined()
    const still = controlChart([3, 3, 3])!
    expect([still.upper, still.lower]).toEqual([3, 3])
    expect(still.points.flatMap(({ signals }) => signals)).toEqual([])
  })

  // A baseline whose mean is 0 and whose sigma is 1: neighbours lie 1.128 apart.
  const unit = [0.564, -0.564, 0.564, -0.564, 0.564, -0.564]
  const signals = (...values: readonly number[]) =>
    controlChart([...unit, ...values], unit.length)!.points.at(-1)!.signals

  test.each([
    [[3.01], ['beyond-limit']],
    [[2.99], []],
    [[-3.01], ['beyond-limit']],
    [[2.1, 0, 2.1], ['two-of-three']],
    [[2.1, 0, 0, 2.1], []],
    [[2.1, 0, -2.1], []],
    [[2.1, 2.1, 0], []],
    [[1.1, 1.1, 0, 1.1, 1.1], ['four-of-five']],
    [[-1.1, -1.1, 0, -1.1, -1.1], ['four-of-five']],
    [[1.1, 1.1, 0, -1.1, 1.1], []],
    [[0.1, 0.2, 0.1, 0.2, 0.1, 0.2, 0.1, 0.2], ['eight-on-a-side']],
    [[0.1, 0.2, 0.1, -0.2, 0.1, 0.2, 0.1, 0.2], []],
  ])('%s: %s', (values, wanted) => expect(signals(...values)).toEqual(wanted))
})

describe('the trend', () => {
  test('is the line of least squares, as an independent library has it', () => {
    const chance = new Chance(7)
    for (let time = 0; time < 40; time += 1) {
      const points = Array.from({ length: chance.whole(3, 20) }, (_, index) => ({
        day: index * 3 + chance.next(),
        value: chance.next() - 0.5 + 0.01 * index,
      }))
      const { m, b } = linearRegression(points.map(({ day, value }) => [day, value]))
      const trend = trendOf(points)!
      expect(trend.slope).toBeCloseTo(m, 12)
      expect(trend.at(100)).toBeCloseTo(m * 100 + b, 9)
    }
  })

  test('how sure it is: three points by hand', () => {
    // 0, 1, 5 on days 0, 1, 2: slope 2.5, residuals 0.5, −1, 0.5 about −0.5 + 2.5 d.
    const trend = trendOf([
      { day: 0, value: 0 },
      { day: 1, value: 1 },
      { day: 2, value: 5 },
    ])!
    expect(trend.slope).toBeCloseTo(2.5, 12)
    expect(trend.scatter).toBeCloseTo(Math.sqrt(1.5), 12)
    expect(trend.slopeUncertainty).toBeCloseTo(Math.sqrt(1.5 / 2), 12)
  })

  test('of one day there is none', () => {
    expect(trendOf([{ day: 1, value: 1 }])).toBeUndefined()
    expect(
      trendOf([
        { day: 1, value: 1 },
        { day: 1, value: 2 },
      ]),
    ).toBeUndefined()
  })
})

describe('how often to check', () => {
  const weekly = (count: number, at: (week: number) => number) =>
    Array.from({ length: count }, (_, week) => ({ day: 7 * week, value: at(week) }))

  test('a steady drift of 0.001 a week, now at 0.005, comes to 0.01 in five weeks', () => {
    expect(
      intervalAdvice(
        weekly(6, (week) => 0.001 * week),
        0.01,
      ),
    ).toMatchObject({
      days: 35,
      because: 'drift',
    })
    expect(
      intervalAdvice(
        weekly(6, (week) => -0.001 * week),
        0.01,
      ),
    ).toMatchObject({ days: 35, because: 'drift' })
  })

  test('what does not move is looked at once a year all the same', () =>
    expect(
      intervalAdvice(
        weekly(6, () => 0),
        0.01,
      ),
    ).toMatchObject({
      days: LONGEST_DAYS,
      because: 'longest',
    }))

  test('what scatters as widely as it may be off is looked at before it is used', () =>
    expect(
      intervalAdvice(
        weekly(8, (week) => (week % 2 === 0 ? 0.006 : -0.006)),
        0.01,
      ),
    ).toMatchObject({ days: 0, because: 'scatter' }))

  // Eight weekly checks that alternate by ±0.002: an ordinary least-squares line worked beside this test (slope −0.0000272 a day,
  // residual scatter 0.002254, slope sure to 0.0000497) and a band of 1.96 of all three stay within the limit so long.
  test.each([
    [0.006, 1],
    [0.007, 13],
    [0.008, 24],
  ])('scatter of two thousandths in a limit of %d: %d days', (limit, days) =>
    expect(
      intervalAdvice(
        weekly(8, (week) => (week % 2 === 0 ? 0.002 : -0.002)),
        limit,
      ),
    ).toMatchObject({ days, because: 'scatter' }),
  )

  test('with fewer than four checks: once a month', () => {
    expect(
      intervalAdvice(
        weekly(3, (week) => 0.001 * week),
        0.01,
      ),
    ).toEqual({
      days: 30,
      because: 'too-few',
    })
    expect(intervalAdvice([], 0.01).because).toBe('too-few')
  })

  test('against simulated drifts the limit is missed in at most five of a hundred', () => {
    const chance = new Chance(11)
    let [missed, asked] = [0, 0]
    const normal = () =>
      Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())
    const shops = trials(4000)
    for (let time = 0; time < shops; time += 1) {
      const drift = 0.0004 * normal() // mm a week
      const scatter = 0.0005 + 0.001 * chance.next()
      const checks = weekly(chance.whole(6, 16), (week) => drift * week + scatter * normal())
      const { days } = intervalAdvice(checks, 0.01)
      if (days === 0 || days >= LONGEST_DAYS) continue
      asked += 1
      const then = (checks.at(-1)!.day + days) / 7
      if (Math.abs(drift * then) > 0.01) missed += 1
    }
    expect(asked).toBeGreaterThan(shops / 4)
    expect(missed / asked).toBeLessThanOrEqual(0.05)
  })
})
