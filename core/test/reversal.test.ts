import { lostMotionBy } from '../src/shop'
import { describeReversal } from '../src/words'
import { Chance, trials } from './random'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const pairs = (...of: readonly (readonly [string, string])[]) =>
  of.map(([plus, minus]) => ({ towardsPlus: mm(plus), towardsMinus: mm(minus) }))

describe('a reversal test', () => {
  test('tells how much further the display stands where the axis came towards plus', () => {
    expect(lostMotionBy(pairs(['10.012', '10'], ['10.013', '10.001'], ['5', '4.988']))).toEqual({
      meanMm: expect.closeTo(0.012, 12),
      withinMm: expect.closeTo(0, 9),
      pairs: 3,
      isTurned: false,
    })
  })

  test('is as sure as its pairs scatter: by hand', () => {
    // 0.010, 0.012, 0.014: mean 0.012, s 0.002, t95 of 2 degrees 4.303 (JCGM 100, table G.2): 4.303 · 0.002/√3.
    const told = lostMotionBy(pairs(['1.010', '1'], ['1.012', '1'], ['1.014', '1']))
    expect(told?.meanMm).toBeCloseTo(0.012, 9)
    expect(told?.withinMm).toBeCloseTo((4.303 * 0.002) / Math.sqrt(3), 6)
  })

  test('says where both columns were filled in the other way round, and not where it may be chance', () => {
    expect(lostMotionBy(pairs(['1', '1.012'], ['1', '1.013'], ['1', '1.011']))?.isTurned).toBe(true)
    expect(lostMotionBy(pairs(['1', '1.001'], ['1.001', '1'], ['1', '1.0005']))?.isTurned).toBe(
      false,
    )
  })

  test('tells nothing with fewer than three pairs, nor of what cannot be read', () => {
    expect(lostMotionBy(pairs(['1', '0.9'], ['1', '0.9']))).toBeUndefined()
    expect(lostMotionBy(pairs(['1', '0.9'], ['1', '0.9'], ['one', '0.9']))).toBeUndefined()
    const inches = pairs(['25.4', '0'], ['25.4', '0']).concat({
      towardsPlus: { text: '1', unit: 'in' } as never,
      towardsMinus: mm('0'),
    })
    expect(lostMotionBy(inches)?.meanMm).toBeCloseTo(25.4, 9)
  })

  test('finds what a simulated screw loses, within what it says in 95 of 100', () => {
    const chance = new Chance(20261127)
    const scatter = () => (chance.next() + chance.next() + chance.next() - 1.5) * 0.004
    let found = 0
    const rounds = trials(2000)
    for (let round = 0; round < rounds; round += 1) {
      const lost = 0.03 * chance.next()
      const told = lostMotionBy(
        Array.from({ length: 6 }, (_, index) => ({
          towardsPlus: mm((index + lost + scatter()).toFixed(5)),
          towardsMinus: mm((index + scatter()).toFixed(5)),
        })),
      )
      if (told && Math.abs(told.meanMm - lost) <= told.withinMm) found += 1
    }
    // Four standard deviations of a share of 0.95.
    const chanceAlone = 4 * Math.sqrt((0.95 * 0.05) / rounds)
    expect(Math.abs(found / rounds - 0.95)).toBeLessThan(chanceAlone)
  })

  test('in words', () => {
    const told = { meanMm: 0.0124, withinMm: 0.0031, pairs: 5, isTurned: false }
    expect(describeReversal(told, 'mm')).toBe('The screw loses 0.012 mm (± 0.003 mm, by 5 pairs).')
    expect(describeReversal({ ...told, meanMm: 0.001 }, 'mm')).toBe(
      'No backlash shows: 0.001 mm, where ± 0.003 mm may be chance.',
    )
    expect(describeReversal({ ...told, meanMm: -0.02, isTurned: true }, 'mm')).toBe(
      'The display stands further where the axis came towards minus: look whether the two columns were filled in the other way round.',
    )
    expect(describeReversal({ ...told, meanMm: 0.0127, withinMm: 0.00254 }, 'in')).toBe(
      'The screw loses 0.0005 in (± 0.0001 in, by 5 pairs).',
    )
  })
})
