import { readLength, type LengthUnit, type Nanometres } from '../src/length'
import { valueOf, type Chain } from '../src/chain'
import type { Source, TermRole } from '../src/chain/chain'
import { causeName, explain, groupTies } from '../src/slips'
import type { Comparison } from '../src/slips/slip'

const nm = (text: string, unit: LengthUnit = 'mm'): Nanometres => {
  const read = readLength({ text, unit })
  if (!read.ok) throw new Error(read.problem.code)
  return read.value.nm
}

const causes = (
  expected: string,
  observed: string,
  extra: { before?: string; unit?: LengthUnit } = {},
) => {
  const unit = extra.unit ?? 'mm'
  return explain({
    expected: nm(expected, unit),
    observed: nm(observed, unit),
    unit,
    decimals: unit === 'mm' ? 3 : 4,
    ...(extra.before === undefined ? {} : { before: nm(extra.before, unit) }),
  }).map(({ code }) => code)
}

test.each([
  ['-30.000', '30.000', ['sign-turned']],
  ['-218.462', '-218.642', ['digits-swapped']],
  ['-218.462', '-128.462', ['digits-swapped']],
  ['-347.300', '-3473.000', ['decimal-shifted']],
  ['-347.300', '-34.730', ['decimal-shifted']],
  ['-347.300', '-347.800', ['digit-wrong']],
  ['-347.300', '-47.300', ['digit-missing', 'digit-wrong']],
  ['-347.300', '-3347.300', ['digit-doubled']],
  ['-347.300', '-0.347', ['decimal-shifted']],
  ['-347.300', '-13.673', ['unit-inch-for-mm']],
  ['-1.500', '-38.100', ['unit-mm-for-inch']],
  ['-30.000', '-30.000', []],
  ['-30.000', '-31.234', []],
] as const)('%s shown as %s: %j', (expected, observed, codes) => {
  expect(causes(expected, observed)).toEqual(codes)
})

test('an inch set-up names the same causes at its own step', () => {
  expect(causes('-8.6009', '-218.4629', { unit: 'in' })).toEqual(['unit-mm-for-inch'])
  expect(causes('-8.6009', '8.6009', { unit: 'in' })).toEqual(['sign-turned'])
})

test('with the value before known: not stored, or added instead of set', () => {
  expect(causes('-30.000', '-12.500', { before: '-12.500' })).toEqual(['not-committed'])
  expect(causes('-30.000', '-42.500', { before: '-12.500' })).toEqual(['added-not-set'])
})

test('two causes that give the same number are both named, simplest first', () => {
  expect(causes('-30.000', '30.000', { before: '30.000' })).toEqual([
    'not-committed',
    'sign-turned',
  ])
})

test('a cause that would change nothing is not a cause', () => {
  expect(causes('11.000', '11.000')).toEqual([])
  expect(causes('0.000', '5.000')).toEqual(['digit-wrong'])
})

test('causes that give the very same number are one tie', () => {
  const groups = groupTies([
    { code: 'sign-turned', gives: nm('30') },
    { code: 'not-committed', gives: nm('30') },
    { code: 'digit-wrong', gives: nm('30.0004') },
  ])
  expect(groups.map((group) => group.map(({ code }) => code))).toEqual([
    ['sign-turned', 'not-committed'],
    ['digit-wrong'],
  ])
})

describe('slips that the parts of a number tell', () => {
  const source = (id: string, text: string, kind: Source['kind'] = 'reading'): Source => {
    const read = readLength({ text, unit: 'mm' })
    if (!read.ok) throw new Error(text)
    return { id, kind, name: id, length: read.value, ...(kind === 'reading' && { reading: id }) }
  }
  const sum = (...terms: readonly (readonly [number, Source, TermRole])[]): Chain => ({
    terms: terms.map(([coefficient, one, role]) => ({ coefficient, source: one, role })),
  })
  const named = (chain: Chain, observed: string, kind: Comparison['kind'] = 'work-offset') =>
    explain({
      expected: valueOf(chain),
      observed: nm(observed),
      unit: 'mm',
      decimals: 3,
      chain,
      kind,
    }).map(causeName)

  // Both faces, −410 and −290: the middle is −350, and 60 lies between it and each.
  const both = sum(
    [0.5, source('left', '-410'), 'axis-at-contact'],
    [0.5, source('right', '-290'), 'axis-at-contact'],
  )

  test('a middle that was not halved is one of the two faces, or their sum', () => {
    expect(named(both, '-290')).toContain('half-not-taken')
    expect(named(both, '-410')).toContain('half-not-taken')
    expect(named(both, '-700')).toContain('sum-not-halved')
    expect(named(both, '-320')).not.toContain('half-not-taken')
  })

  test('where nothing was halved, or more than two were, there is no half to be forgotten', () => {
    const whole = sum(
      [1, source('left', '-410'), 'axis-at-contact'],
      [-1, source('drawing', '-60', 'drawing'), 'drawing-coordinate'],
    )
    const three = sum(
      [0.5, source('a', '-410'), 'axis-at-contact'],
      [0.5, source('b', '-290'), 'axis-at-contact'],
      [0.5, source('c', '-100'), 'axis-at-contact'],
    )
    const one = sum(
      [0.5, source('a', '-410'), 'axis-at-contact'],
      [1, source('b', '-290'), 'axis-at-contact'],
    )
    for (const chain of [whole, three, one])
      for (const observed of ['-290', '-410', '-700', '-205', '-145', '-495', '-605', '-615'])
        expect(named(chain, observed)).not.toContain('half-not-taken')
  })

  test('two gauges forgotten at once are named together; the same one twice is not', () => {
    const stacked = sum(
      [1, source('tip', '-220'), 'tip-at-contact'],
      [-1, source('block', '30', 'gauge'), 'gauge-beneath'],
      [-1, source('paper', '0.09', 'gauge'), 'gauge-beneath'],
      [1, source('constant', '5', 'declared'), 'school-constant'],
    )
    // −245.09 it should be: without the block −215.09, without both −215.
    expect(named(stacked, '-215.09', 'length')[0]).toBe('gauge-forgotten')
    expect(named(stacked, '-215', 'length')).toContain('gauge-forgotten+gauge-forgotten')
    // The block forgotten twice would be −185.09: nobody forgets it twice.
    expect(named(stacked, '-185.09', 'length')).not.toContain('gauge-forgotten+gauge-forgotten')
    // The block forgotten and the sign of the whole number lost on top.
    expect(named(stacked, '215.09', 'length')).toContain('gauge-forgotten+sign-turned')
  })

  test('a name tells both slips', () => {
    expect(causeName({ code: 'sign-turned' })).toBe('sign-turned')
    expect(causeName({ code: 'gauge-forgotten', and: { code: 'sign-turned' } })).toBe(
      'gauge-forgotten+sign-turned',
    )
  })
})

test('a row that shows zero was not stored, also where nobody read it before', () => {
  expect(causes('-112.406', '0.000')[0]).toBe('not-committed')
  expect(causes('0.000', '0.000')).toEqual([])
})
