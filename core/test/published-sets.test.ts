import { mean, sampleStandardDeviation } from 'simple-statistics'
import { budgetOf } from '../src/budget/budget'
import { sampleDeviation } from '../src/budget/source-uncertainty'
import { studentT } from '../src/budget/student-t'
import { type Gauge } from '../src/sheet'
import { solve } from '../src/solve'
import { BLOCK_GRADES } from '../src/touch'
import { blockLimitMm } from '../src/touch/gauge-block-limits'
import { leftTouch, mm, readingOf, workedDocument, workedSheet } from './worked-example'

/** `first`, then `pairs` times the two values. */
const alternating = (first: number, [a, b]: readonly [number, number], pairs: number) => [
  first,
  ...Array.from({ length: pairs }, () => [a, b]).flat(),
]

// The velocity of light in thousands of km/s by the published hundred runs of 1879, as the set Michelso has them.
const MICHELSO = [
  850, 740, 900, 1070, 930, 850, 950, 980, 980, 880, 1000, 980, 930, 650, 760, 810, 1000, 1000, 960,
  960, 960, 940, 960, 940, 880, 800, 850, 880, 900, 840, 830, 790, 810, 880, 880, 830, 800, 790,
  760, 800, 880, 880, 880, 860, 720, 720, 620, 860, 970, 950, 880, 910, 850, 870, 840, 840, 850,
  840, 840, 840, 890, 810, 810, 820, 800, 770, 760, 740, 750, 760, 910, 920, 890, 860, 880, 720,
  840, 850, 850, 780, 890, 840, 780, 810, 760, 810, 790, 810, 820, 850, 870, 870, 810, 740, 810,
  940, 950, 800, 810, 870,
].map((value) => 299 + value / 1000)

// NIST StRD, univariate summary statistics, with their certified standard deviations (from memory; the
// generators of NumAcc are part of the set's description, and an independent library is asked as well).
test.each<[string, readonly number[], number, number]>([
  ['NumAcc1', [10000001, 10000003, 10000002], 1, 15],
  ['NumAcc2', alternating(1.2, [1.1, 1.3], 500), 0.1, 12],
  // Of 1000000.1 a float keeps ten decimals: the digits that are lost are lost in writing them down.
  ['NumAcc3', alternating(1000000.2, [1000000.1, 1000000.3], 500), 0.1, 9],
  ['NumAcc4', alternating(10000000.2, [10000000.1, 10000000.3], 500), 0.1, 8],
  ['Michelso', MICHELSO, 0.0790105478190518, 12],
])('the sample deviation of %s', (_, values, certified, digits) => {
  expect(sampleDeviation(values)).toBeCloseTo(certified, digits)
  expect(sampleDeviation(values)).toBeCloseTo(sampleStandardDeviation([...values]), 8)
})

test('the mean of Michelso is 299.8524', () => expect(mean(MICHELSO)).toBeCloseTo(299.8524, 10))

describe('repeats', () => {
  const at = (texts: readonly string[]) => {
    const readings = texts.map((text) => ({ ...leftTouch(), read: mm(text) }))
    const register = solve(workedDocument({}, readings)).registers.find(
      ({ address }) => address === 'G54.X',
    )
    return budgetOf(register!.chain!)
  }
  const resolution = 0.001 / Math.sqrt(12)
  const tip = 0.002 / 2

  // JCGM 100, 4.2.3: the experimental standard deviation of the mean is s/√n, with n − 1 degrees of freedom.
  test('five of them speak for themselves: s/√5, and t instead of 2', () => {
    const texts = ['-412.300', '-412.302', '-412.298', '-412.301', '-412.299']
    const s = sampleStandardDeviation(texts.map(Number))
    const budget = at(texts)
    expect(budget.standardMm).toBeCloseTo(
      Math.hypot(Math.hypot(s, resolution) / Math.sqrt(5), tip),
      9,
    )
    const share = Math.hypot(s, resolution) / Math.sqrt(5)
    expect(budget.degreesOfFreedom).toBeCloseTo(4 * (budget.standardMm / share) ** 4, 6)
    expect(budget.coverageFactor).toBeCloseTo(studentT(0.95, budget.degreesOfFreedom), 9)
    expect(budget.coverageFactor).toBeGreaterThan(2)
  })

  test('with four the method’s own repeatability is better known than theirs', () => {
    const budget = at(['-412.300', '-412.302', '-412.298', '-412.301'])
    expect(budget.standardMm).toBeCloseTo(Math.hypot(Math.hypot(0.005, resolution) / 2, tip), 9)
    expect(budget.degreesOfFreedom).toBe(Infinity)
  })
})

describe('gauge blocks by grade', () => {
  // ISO 3650:1998, table 5: limit deviations at any point (from memory).
  test.each([
    [0.5, 'K', 0.0002],
    [10, '0', 0.00012],
    [25, '1', 0.0003],
    [50, '2', 0.0008],
    [100, 'K', 0.0006],
    [150, '1', 0.0008],
  ] as const)('%d mm, grade %s: ±%d mm', (nominal, grade, limit) =>
    expect(blockLimitMm(nominal, grade)).toBeCloseTo(limit, 9),
  )

  // The standard's own structure: K may deviate as 1 may (it is calibrated), 0 less, 2 more, and longer blocks more.
  test('K allows what 1 does, 0 less, 2 more, and no grade less for a longer block', () => {
    const lengths = [10, 25, 50, 75, 100, 150, 200, 250]
    for (const length of lengths) {
      const [k, zero, one, two] = BLOCK_GRADES.map((grade) => blockLimitMm(length, grade)!)
      expect([k === one, zero! < one!, one! < two!]).toEqual([true, true, true])
    }
    for (const grade of BLOCK_GRADES) {
      const limits = lengths.map((length) => blockLimitMm(length, grade)!)
      expect(limits).toEqual([...limits].sort((a, b) => a - b))
    }
    expect(blockLimitMm(500, '1')).toBeUndefined()
  })

  test('a graded block brings its limit over √3, a certificate comes before it', () => {
    const block: Gauge = {
      id: 'b',
      kind: 'gauge-block',
      name: '25 mm block',
      size: mm('25'),
      grade: '2',
    }
    const blockLine = (gauge: Gauge) => {
      const document = workedDocument({ gauges: [...workedSheet().gauges, gauge] }, [
        readingOf<'tip-on-plane'>({
          of: 'tip-on-plane',
          tool: 1,
          read: mm('-245.000'),
          with: ['b'],
        }),
      ])
      const chain = solve(document).registers[0]!.chain!
      return budgetOf(chain).lines.find(({ source }) => source.kind === 'gauge')?.sourceMm
    }
    expect(blockLine(block)).toBeCloseTo(0.0006 / Math.sqrt(3), 9)
    expect(blockLine({ ...block, uncertainty: mm('0.0001') })).toBeCloseTo(0.0001, 9)
  })
})

describe('backlash that nobody declared', () => {
  const { lostMotion: _declared, ...machine } = workedSheet().machine
  const standard = (readings: Parameters<typeof workedDocument>[1], address: string) => {
    const register = solve(workedDocument({ machine }, readings)).registers.find(
      (one) => one.address === address,
    )
    return budgetOf(register!.chain!).lines.find(({ source }) => source.id.includes('lostMotion'))
      ?.contributionMm
  }
  const tip = (approach: '+' | '-') => ({
    ...readingOf<'tip-on-plane'>({
      of: 'tip-on-plane',
      tool: 1,
      read: mm('-220'),
      with: ['setter'],
    }),
    approach,
  })

  // From memory: somewhere from nothing to 0.02 mm, so 0.02/√3 about the nothing that is counted.
  test('a face that is met moving plus carries it; one that is met moving minus does not', () => {
    expect(standard([leftTouch()], 'G54.X')).toBeCloseTo(0.02 / Math.sqrt(3), 9)
    expect(standard([{ ...leftTouch(), approach: '-' }], 'G54.X')).toBeUndefined()
  })

  test('where both touches come from the same side it cancels', () => {
    const nose = (approach: '+' | '-') => ({
      ...readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm('-300'), with: ['setter'] }),
      approach,
    })
    const length = (a: '+' | '-', b: '+' | '-') => {
      const document = workedDocument({ machine, school: 'gauge-line' }, [nose(a), tip(b)])
      const chain = solve(document).registers[0]!.chain!
      return budgetOf(chain).lines.some(({ source }) => source.id.includes('lostMotion'))
    }
    expect([length('+', '+'), length('-', '-'), length('+', '-')]).toEqual([false, false, true])
  })
})
