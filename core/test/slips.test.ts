import { toNanometres, type Nanometres } from '../src/length'
import {
  DIGIT_SLIPS,
  digitCandidates,
  slippedDigits,
  undoneDigits,
} from '../src/slips/digit-candidates'
import { knownSizes } from '../src/slips/explain'
import { registerCandidates } from '../src/slips/register-candidates'
import type { Comparison, SlipCode } from '../src/slips/slip'
import { mm } from './worked-example'
import { Chance, trials } from './random'

const nm = (value: number): Nanometres => toNanometres(value * 1e6)

describe('digits', () => {
  test('what each slip makes of a number, the point and the sign where they are', () => {
    const { 'digit-wrong': wrong, ...others } = slippedDigits('-12.5')
    expect(others).toEqual({
      'digits-swapped': ['-21.5', '-15.2'],
      'digit-missing': ['-2.5', '-1.5', '-12.'],
      'digit-doubled': ['-112.5', '-122.5', '-12.55'],
    })
    expect(wrong).toHaveLength(30)
    expect(wrong).toEqual(expect.arrayContaining(['-02.5', '-92.5', '-10.5', '-12.0', '-12.9']))
  })

  test('what it was meant to be: put in again what was left out, take away one of two that are the same', () => {
    const undone = undoneDigits('-112.5')
    expect(undone['digit-doubled']).toEqual(['-12.5'])
    // Before each digit and behind the last one, on either side of the point.
    expect(undone['digit-missing']).toHaveLength(60)
    expect(undone['digit-missing']).toEqual(
      expect.arrayContaining(['-0112.5', '-1912.5', '-1127.5', '-112.75', '-112.57']),
    )
    expect(undone['digits-swapped']).toEqual(['-112.5', '-121.5', '-115.2'])
    expect(undoneDigits('-12.55')['digit-doubled']).toEqual(['-12.5'])
    expect(undoneDigits('12.5')['digit-doubled']).toEqual([])
  })

  test('undoing a slip finds the number that it was made of, for any number', () => {
    const chance = new Chance(41)
    for (let at = 0; at < trials(300); at += 1) {
      const text = (chance.whole(-500_000, 500_000) / 1000).toFixed(1 + (at % 4))
      const slipped = slippedDigits(text)
      for (const slip of DIGIT_SLIPS)
        for (const changed of slipped[slip]) expect(undoneDigits(changed)[slip]).toContain(text)
    }
  })

  test('as causes they are numbers in the unit that is typed', () => {
    const gives = digitCandidates('1.5', 'in').filter(({ code }) => code === 'digits-swapped')
    expect(gives).toEqual([{ code: 'digits-swapped', gives: nm(5.1 * 25.4) }])
  })
})

describe('between the number and the register', () => {
  const of = (more: Partial<Comparison> = {}) =>
    registerCandidates({ expected: nm(100), observed: nm(0), unit: 'mm', decimals: 3, ...more })
  const told = (code: SlipCode, more: Partial<Comparison> = {}) =>
    of(more)
      .filter((one) => one.code === code)
      .map(({ gives }) => gives)

  test('sign, unit and point, whatever else is known', () => {
    expect(told('sign-turned')).toEqual([nm(-100)])
    expect(told('unit-inch-for-mm')).toEqual([toNanometres(100e6 / 25.4)])
    expect(told('unit-mm-for-inch')).toEqual([nm(2540)])
    expect(told('decimal-shifted')).toEqual(
      [0.1, 1, 10, 1000, 10_000, 100_000].map((value) => nm(value)),
    )
  })

  test('what stood there counts only where that is known', () => {
    const codes = (more?: Partial<Comparison>) => new Set(of(more).map(({ code }) => code))
    // A row that was cleared shows zero where nothing was stored.
    expect(told('not-committed')).toEqual([0])
    for (const code of ['half-keyed', 'added-not-set', 'set-not-added'] as const)
      expect(codes()).not.toContain(code)
    const before = nm(40)
    expect(told('not-committed', { before })).toEqual([before])
    expect(told('half-keyed', { before })).toEqual([nm(70)])
    // A control that sets may have been told to add, and one that adds to set.
    expect(told('added-not-set', { before })).toEqual([nm(140)])
    expect(told('set-not-added', { before })).toEqual([])
    expect(told('added-not-set', { before, mode: 'add' })).toEqual([])
    expect(told('set-not-added', { before, mode: 'add' })).toEqual([nm(60)])
    expect(told('added-not-set', { mode: 'set' })).toEqual([])
    expect(told('set-not-added', { mode: 'add' })).toEqual([])
  })

  test('a radius is mistaken only for a diameter, and other rows by their names', () => {
    expect(told('radius-for-diameter')).toEqual([])
    expect(told('radius-for-diameter', { kind: 'length' })).toEqual([])
    expect(told('radius-for-diameter', { kind: 'diameter' })).toEqual([nm(50), nm(200)])
    expect(
      of({ others: [{ name: 'H2', nm: nm(7) }] }).filter(({ code }) => code === 'other-row'),
    ).toEqual([{ code: 'other-row', gives: nm(7), about: 'H2' }])
    expect(of().every((one) => typeof one === 'object')).toBe(true)
  })
})

test('of each gauge what it counts along the axis, and of those that do not serve it nothing', () => {
  const gauges = [
    { kind: 'edge-finder', name: 'finder', size: mm('10.000') },
    { kind: 'height-setter', name: 'setter', size: mm('50.000') },
    { kind: 'plate', name: 'plate', size: mm('12.500'), wall: mm('9.800') },
    { kind: 'height-setter', name: 'unreadable', size: mm('fifty') },
    { kind: 'plate', name: 'no wall', size: mm('12.500') },
  ] as const
  expect(knownSizes(gauges, 'X')).toEqual([
    { name: 'finder', nm: nm(5) },
    { name: 'plate', nm: nm(9.8) },
  ])
  expect(knownSizes(gauges, 'Z')).toEqual([
    { name: 'setter', nm: nm(50) },
    { name: 'plate', nm: nm(12.5) },
    { name: 'no wall', nm: nm(12.5) },
  ])
})
