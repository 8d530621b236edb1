import fc from 'fast-check'
import { formatLength, readLength, toNanometres, type LengthUnit } from '../src/length'
import { roundToDisplay } from '../src/length/format-length'

const nm = (text: string, unit: LengthUnit = 'mm') => {
  const result = readLength({ text, unit })
  if (!result.ok) throw new Error(result.problem.code)
  return result.value.nm
}

describe('readLength', () => {
  // 25.4 mm to the inch exactly: NIST SP 811, appendix B; ISO 80000-3.
  test.each([
    ['1', 'in', 25_400_000],
    ['0.00001', 'in', 254],
    ['0.000001', 'mm', 1],
    ['-218.462', 'mm', -218_462_000],
    ['\u2212218.462', 'mm', -218_462_000],
    ['.5', 'mm', 500_000],
    ['5.', 'mm', 5_000_000],
    ['+3.25', 'mm', 3_250_000],
    [' 12 ', 'mm', 12_000_000],
    ['-0', 'mm', 0],
  ] as const)('%s %s is %d nm', (text, unit, expected) => {
    expect(nm(text, unit)).toBe(expected)
    expect(Object.is(nm(text, unit), -0)).toBe(false)
  })

  // An inch is 25.4 mm exactly, so that a sixty-fourth is 0.396 875 mm: NIST SP 811, appendix B.
  test.each([
    ['1/2', 12_700_000, 1],
    ['3-1/8', 79_375_000, 3],
    ['3 1/8', 79_375_000, 3],
    ['1/64', 396_875, 5],
    ['-1-3/4', -44_450_000, 2],
    ['+9/16', 14_287_500, 4],
    ['4/4', 25_400_000, 0],
    ['3-1/8 in', 79_375_000, 3],
    ['3-1/8"', 79_375_000, 3],
  ])('%s of inches is %d nm', (text, expected, decimals) => {
    expect(readLength({ text, unit: 'in' })).toMatchObject({
      ok: true,
      value: { nm: expected, decimals, text, unit: 'in' },
    })
  })

  test.each([
    ['1/2', 'mm'],
    ['1/2 mm', 'in'],
    ['1/3', 'in'],
    ['1/0', 'in'],
    ['1/128', 'in'],
  ] as const)('%s of %s is no fraction that a rule has', (text, unit) => {
    expect(readLength({ text, unit })).toMatchObject({ problem: { code: 'length-fraction' } })
  })

  test('a fraction is held to the same bounds as a decimal', () => {
    const of = (text: string, sign: 'positive' | 'not-negative') => {
      const read = readLength({ text, unit: 'in' }, { sign })
      return read.ok ? 'good' : read.problem.code
    }
    expect(of('-1/2', 'positive')).toBe('length-negative')
    expect(of('0/2', 'positive')).toBe('length-zero')
    expect(of('9999-1/2', 'positive')).toBe('length-too-large')
    expect(of('1/2', 'positive')).toBe('good')
  })

  test('a unit in the text wins over the one beside the field', () => {
    expect(readLength({ text: '1.5in', unit: 'mm' })).toMatchObject({
      ok: true,
      value: { unit: 'in', nm: 38_100_000, text: '1.5in' },
    })
    expect(nm('38.1 mm', 'in')).toBe(38_100_000)
    expect(nm('1"', 'mm')).toBe(25_400_000)
  })

  test('keeps the text and the decimals typed, trailing zeros included', () => {
    expect(readLength({ text: '50.000', unit: 'mm' })).toMatchObject({
      value: { text: '50.000', decimals: 3 },
    })
  })

  test.each([
    ['', 'length-empty'],
    ['   ', 'length-empty'],
    ['words', 'length-not-a-number'],
    ['-', 'length-not-a-number'],
    ['.', 'length-not-a-number'],
    ['1-2', 'length-not-a-number'],
    ['1.2.3', 'length-two-points'],
    ['1..2', 'length-two-points'],
    ['1e9', 'length-exponent'],
    ['1E-3', 'length-exponent'],
    ['10,5', 'length-comma'],
    ['1,234.5', 'length-comma'],
    ['5 cm', 'length-unit-unknown'],
    ['1.0000001', 'length-too-fine'],
    ['0.000001in', 'length-too-fine'],
    ['999999999', 'length-too-large'],
    ['NaN', 'length-not-a-number'],
    ['Infinity', 'length-not-a-number'],
    ['0x10', 'length-not-a-number'],
  ])('refuses %j as %s and says where and what came', (text, code) => {
    expect(readLength({ text, unit: 'mm' }, { place: 'field' })).toMatchObject({
      ok: false,
      problem: { code, place: 'field', received: text },
    })
  })

  test('a size may not be below zero, a gauge not zero', () => {
    expect(readLength({ text: '-1', unit: 'mm' }, { sign: 'not-negative' })).toMatchObject({
      problem: { code: 'length-negative' },
    })
    expect(readLength({ text: '0', unit: 'mm' }, { sign: 'positive' })).toMatchObject({
      problem: { code: 'length-zero' },
    })
    expect(readLength({ text: '0', unit: 'mm' }, { sign: 'not-negative' })).toMatchObject({
      ok: true,
    })
  })

  test('never throws and never yields a number that is not whole, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.stringMatching(/^[-+.,\deE ]{0,14}(mm|in|"|cm)?$/)),
        fc.constantFrom<LengthUnit>('mm', 'in'),
        (text, unit) => {
          const result = readLength({ text, unit })
          return !result.ok || Number.isSafeInteger(result.value.nm)
        },
      ),
      { numRuns: 5000 },
    )
  })
})

describe('formatLength', () => {
  test.each([
    [-30_000_000, 'mm', 3, '-30.000'],
    [1_500, 'mm', 3, '0.002'],
    [-1_500, 'mm', 3, '-0.002'],
    [-499, 'mm', 3, '0.000'],
    [25_400_000, 'in', 4, '1.0000'],
    [-38_100_000, 'in', 4, '-1.5000'],
    [10_000_000, 'mm', 1, '10.0'],
  ] as const)('%d nm in %s with %d decimals is %s', (value, unit, decimals, text) => {
    expect(formatLength(toNanometres(value), unit, decimals)).toBe(text)
  })

  test('what is written is read back exactly, in both units, at every number of decimals', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -2e9, max: 2e9 }),
        fc.constantFrom<LengthUnit>('mm', 'in'),
        fc.integer({ min: 1, max: 5 }),
        (value, unit, decimals) => {
          const shown = roundToDisplay(toNanometres(value), unit, decimals)
          return nm(formatLength(toNanometres(value), unit, decimals), unit) === shown
        },
      ),
    )
  })

  test('refuses to write without a decimal point', () => {
    expect(() => formatLength(toNanometres(1), 'mm', 0)).toThrow('1 to 6 decimals, got 0')
  })
})

// Where one way of being wrong ends and the next begins: each is told by its own words.
test.each([
  [',5', 'length-comma'],
  ['-,5', 'length-comma'],
  ['x,5', 'length-not-a-number'],
  ['12.5e-12', 'length-exponent'],
  ['-1e5', 'length-exponent'],
  ['x1e5', 'length-not-a-number'],
  ['1e5mm', 'length-not-a-number'],
  ['-1.2.3', 'length-two-points'],
  ['a1.2.3', 'length-not-a-number'],
  ['1.2.3;', 'length-not-a-number'],
  ['.', 'length-not-a-number'],
  ['100000.000001', 'length-too-large'],
])('%s is %s', (text, code) => {
  expect(readLength({ text, unit: 'mm' })).toMatchObject({ ok: false, problem: { code } })
})

test.each([
  ['.55', 'any', 550_000],
  ['-.55', 'any', -550_000],
  ['100000', 'positive', 100_000_000_000],
  ['0', 'not-negative', 0],
  ['0.000001', 'positive', 1],
] as const)('%s, %s: %d nm', (text, sign, nm) => {
  expect(readLength({ text, unit: 'mm' }, { sign })).toMatchObject({ ok: true, value: { nm } })
})

test('six decimals are written, seven are not', () => {
  expect(formatLength(toNanometres(1), 'mm', 6)).toBe('0.000001')
  expect(() => formatLength(toNanometres(1), 'mm', 7)).toThrow('1 to 6 decimals, got 7')
})
