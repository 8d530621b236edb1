import normalQuantile from '@stdlib/stats-base-dists-normal-quantile'
import tQuantile from '@stdlib/stats-base-dists-t-quantile'
import { mean, sampleStandardDeviation } from 'simple-statistics'
import { monteCarlo } from '../src/budget'
import { adviceFor } from '../src/budget/advice'
import { budgetOf, combine } from '../src/budget/budget'
import { rangeLimit } from '../src/budget/range'
import { studentT } from '../src/budget/student-t'
import { conformity, fitness } from '../src/budget/verdict'
import { valueOf } from '../src/chain'
import { type WrittenLength } from '../src/length'
import { solve } from '../src/solve'
import { Chance } from './random'
import { leftTouch, mm, readingOf, workedDocument } from './worked-example'

describe("Student's t", () => {
  // Oracle: @stdlib's quantile, an independent implementation.
  test.each([1, 2, 3, 5, 10, 19, 50, 200, 1e5])(
    'with %d degrees of freedom agrees with an independent library',
    (freedom) => {
      for (const coverage of [0.5, 0.6827, 0.9, 0.95, 0.9545, 0.99])
        expect(studentT(coverage, freedom) / tQuantile((1 + coverage) / 2, freedom)).toBeCloseTo(
          1,
          9,
        )
    },
  )
  test('with infinitely many it is the normal quantile', () =>
    expect(studentT(0.95, Infinity)).toBeCloseTo(1.959963984540054, 6))
  test.each([0, 0.5, -1, NaN])('refuses %d degrees of freedom', (freedom) =>
    expect(() => studentT(0.95, freedom)).toThrow('degrees of freedom'),
  )
  test.each([0, 1, NaN])('refuses a coverage of %d', (coverage) =>
    expect(() => studentT(coverage, 3)).toThrow('coverage'),
  )
})

describe('the range of repeats', () => {
  // Upper 0.1 % points of the range of n normal values: Harter 1960 (from memory).
  test.each([
    [2, 4.654],
    [3, 5.063],
    [4, 5.309],
    [5, 5.484],
    [10, 5.973],
  ])('%i repeats lie within %d standard deviations but once in a thousand times', (n, limit) => {
    expect(rangeLimit(n)).toBeCloseTo(limit, 2)
  })

  test('of 20,000 fives from a general library’s normal quantile, one in a thousand is beyond', () => {
    const chance = new Chance(8)
    let beyond = 0
    for (let trial = 0; trial < 20_000; trial += 1) {
      const five = Array.from({ length: 5 }, () => normalQuantile(chance.next() || 0.5, 0, 1))
      if (Math.max(...five) - Math.min(...five) > rangeLimit(5)) beyond += 1
    }
    expect(beyond).toBeGreaterThan(8)
    expect(beyond).toBeLessThan(36)
  })

  test('one value has no range', () => expect(() => rangeLimit(1)).toThrow('two values'))
})

// JCGM 100:2008, G.4.1 (values from memory): 0.25, 0.57, 0.82 % with n = 10, 5, 15.
test('combined and effective degrees of freedom: 1.03 %, ν 19, t 2.09', () => {
  const { standardMm, degreesOfFreedom, coverageFactor } = combine([
    { standard: 0.25, degreesOfFreedom: 9 },
    { standard: 0.57, degreesOfFreedom: 4 },
    { standard: 0.82, degreesOfFreedom: 14 },
  ])
  expect(standardMm).toBeCloseTo(1.03, 2)
  expect(degreesOfFreedom).toBeCloseTo(19, 2)
  expect(coverageFactor).toBeCloseTo(2.09, 2)
})

describe('the budget of a register', () => {
  const chainOf = (document: ReturnType<typeof workedDocument>, address: string) =>
    solve(document).registers.find((register) => register.address === address)!.chain!

  test('a gauge that cancels brings nothing, one that does not brings its calibration', () => {
    const names = (school: 'gauge-line' | 'setting-plane') =>
      budgetOf(chainOf(workedDocument({ school }), 'H1')).lines.map(({ source }) => source.name)
    expect(names('gauge-line')).toEqual(['tip-on-plane:T1', 'nose-on-plane'])
    expect(names('setting-plane')).toEqual(['tip-on-plane:T1', '50 mm setter'])
  })

  test('by hand: an edge finder at 0.005, read to 0.001, tip to 0.002 halved', () => {
    const { standardMm, expandedMm } = budgetOf(chainOf(workedDocument(), 'G54.X'))
    expect(standardMm).toBeCloseTo(Math.hypot(0.005, 0.001 / Math.sqrt(12), 0.002 / 2), 12)
    expect(expandedMm).toBeCloseTo(2 * standardMm, 12)
  })

  test('four repeats halve what repeatability brings', () => {
    const repeats = Array.from({ length: 4 }, () => leftTouch())
    const once = budgetOf(chainOf(workedDocument({}, [leftTouch()]), 'G54.X'))
    const often = budgetOf(chainOf(workedDocument({}, repeats), 'G54.X'))
    const tip = 0.002 / 2
    expect(Math.hypot(often.standardMm, 0) ** 2 - tip ** 2).toBeCloseTo(
      (once.standardMm ** 2 - tip ** 2) / 4,
      12,
    )
  })

  const leftOf = (read: WrittenLength) =>
    budgetOf(
      chainOf(
        workedDocument({}, [
          readingOf<'face'>({ of: 'face', row: 'G54', face: 'left', read, with: ['finder'] }),
        ]),
        'G54.X',
      ),
    ).standardMm

  test('the step is the display’s: zeros that were not typed were read all the same', () => {
    expect(leftOf(mm('-412.3'))).toBe(leftOf(mm('-412.300')))
    expect(leftOf(mm('-412'))).toBe(leftOf(mm('-412.300')))
  })

  test('what was read in another unit came from another display: there the digits tell', () => {
    // 0.1 in steps by 2.54 mm: 2.54/√12 (JCGM 100, F.2.2.1) far above everything else.
    expect(leftOf({ text: '-16.2in', unit: 'mm' })).toBeCloseTo(2.54 / Math.sqrt(12), 3)
    expect(leftOf({ text: '-16.2323in', unit: 'mm' })).toBeLessThan(0.01)
  })

  test('advice: repeat while that suffices, else the cheapest contact that does', () => {
    const budget = budgetOf(chainOf(workedDocument({}, [leftTouch()]), 'G54.X'))
    const advise = (needMm: number) => adviceFor(budget, needMm, () => 'edge-finder')
    expect(advise(0.02)).toBeUndefined()
    expect(advise(0.0085)).toMatchObject({ do: 'repeat', times: 2 })
    expect(advise(0.0049)).toMatchObject({ do: 'change-gauge', to: 'probe' })
    // Just as sure as it needs to be is sure enough.
    expect(advise(budget.expandedMm)).toBeUndefined()
    expect(advise(budget.expandedMm * 0.999)).toBeDefined()
  })

  test('a screw whose backlash nobody declared is measured once, whatever else could be done', () => {
    const source = { id: 'sheet.machine.lostMotion.Z', kind: 'declared', name: 'backlash' }
    const unknown = {
      standardMm: 0.02,
      expandedMm: 0.04,
      coverageFactor: 2,
      lines: [{ source, contributionMm: 0.02, coefficient: 1 }],
    } as never
    expect(adviceFor(unknown, 0.01, () => 'paper')).toEqual({
      do: 'declare-lost-motion',
      sourceId: 'sheet.machine.lostMotion.Z',
    })
  })
})

test('lengths and Z are judged by the depth, X and Y by the position, each only where it is said', () => {
  const verdicts = (needs: { depth?: ReturnType<typeof mm>; position?: ReturnType<typeof mm> }) =>
    Object.fromEntries(
      solve(workedDocument({ needs })).registers.map(({ address, fitness: verdict }) => [
        address,
        verdict,
      ]),
    )
  // U of H1 and G54.X is about 0.010 mm; a bare carried difference is sure to 0.040 only.
  expect(verdicts({ depth: mm('0.1') })).toEqual({
    H1: 'fit',
    'G54.X': undefined,
    'G54.Y': undefined,
    'G54.Z': 'undecided',
  })
  expect(verdicts({ depth: mm('0.005'), position: mm('1') })).toEqual({
    H1: 'unfit',
    'G54.X': 'fit',
    'G54.Y': 'fit',
    'G54.Z': 'unfit',
  })
})

// ISO 14253-1: the three zones, at their edges.
test.each([
  [0.04, 0.05, 0.01, 'fit'],
  [0.0401, 0.05, 0.01, 'undecided'],
  [-0.06, 0.05, 0.01, 'undecided'],
  [0.0601, 0.05, 0.01, 'unfit'],
  [0, 0.005, 0.01, 'undecided'],
] as const)(
  'a deviation of %d in ±%d with U %d is %s',
  (deviation, tolerance, expanded, verdict) => {
    expect(conformity(deviation, { lower: -tolerance, upper: tolerance }, expanded)).toBe(verdict)
  },
)

test('a zone that lies to one side is judged at each of its limits', () => {
  const fit = { lower: 0.01, upper: 0.03 }
  expect([0.02, 0.012, 0.009, 0.004, 0.036].map((off) => conformity(off, fit, 0.005))).toEqual([
    ...['fit', 'undecided', 'undecided', 'unfit', 'unfit'],
  ])
})

test('U is fit at a quarter of the need, undecided up to the whole of it', () => {
  expect([0.01, 0.0101, 0.0401].map((expanded) => fitness(expanded, 0.04))).toEqual([
    'fit',
    'undecided',
    'unfit',
  ])
})

describe('Monte Carlo', () => {
  const chance = new Chance(11)
  test('of a sum gives the root sum of squares', () => {
    const [out] = monteCarlo(
      [
        { mean: 5, standard: 0.3 },
        { mean: -2, standard: 0.4 },
      ],
      ([a = 0, b = 0]) => [a + b],
      40_000,
      () => chance.next(),
    )
    expect(out!.mean).toBeCloseTo(3, 1)
    // The standard deviation of a sample of n scatters by 1/√(2n): 0.35 % here; three of those.
    expect(Math.abs(out!.standard / 0.5 - 1)).toBeLessThan(0.011)
  })

  test('its moments agree with an independent library, on numbers that lose digits easily', () => {
    // NIST StRD NumAcc1: mean 10000002, s 1.
    const values = [10000001, 10000003, 10000002]
    let next = 0
    const [out] = monteCarlo(
      [{ mean: 0, standard: 0 }],
      () => [values[next++]!],
      3,
      () => 0.5,
    )
    expect([out!.mean, out!.standard]).toEqual([10000002, 1])
    expect([out!.mean, out!.standard]).toEqual([mean(values), sampleStandardDeviation(values)])
  })
})

test('the budget never changes the value', () => {
  const solution = solve(workedDocument())
  for (const { chain, value } of solution.registers) if (chain) expect(valueOf(chain)).toBe(value)
})
