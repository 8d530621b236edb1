import { readLength, type LengthUnit, type Nanometres } from '../src/length'
import { explain, groupTies } from '../src/slips'

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
    'sign-turned',
    'not-committed',
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
