import {
  lastDigitsToType,
  leastReadBack,
  partedDigits,
  shortReadBackDiffers,
} from '@pine/core/keyin'
import type { Address } from '@pine/core/address'

test.each([
  ['-112.406', '-', '112.', '406'],
  ['4.1234', '+', '4.1', '234'],
  ['+4.1234', '+', '4.1', '234'],
  // Zero is the same with either sign.
  ['0.000', undefined, '0.', '000'],
  ['-0.000', undefined, '0.', '000'],
  ['-0.001', '-', '0.', '001'],
  ['-12.5', '-', '', '12.5'],
  ['12.50', '+', '1', '2.50'],
  ['.5', '+', '', '.5'],
  ['1234', '+', '1', '234'],
] as const)(
  '%s is parted into its sign, its first and its last three digits',
  (shown, sign, first, last) => {
    expect(partedDigits(shown, 3)).toEqual({ sign, first, last })
  },
)

test.each([
  // Two, where nothing else ends so; of another sign, or the same number, nothing is asked.
  ['-112.406', [], 2],
  ['-112.406', ['-80.412', '-3.405'], 2],
  ['-112.406', ['80.406', '-112.406'], 2],
  // As many as tell it from what the row held, raised by 0.3 or by a round correction, and from every other row.
  ['-3.1100', ['-3.4100'], 4],
  ['-112.406', ['-80.306'], 3],
  ['-112.406', ['-80.306', '-111.406'], 4],
  ['-300.100', ['-280.100'], 5],
  // Where one is the end of the other, all of it.
  ['-112.406', ['-12.406'], 6],
  ['-12.406', ['-112.406'], 5],
] as const)('%s beside %j is told by its last %i digits', (expected, others, count) => {
  expect(lastDigitsToType(expected, others, true)).toBe(count)
  // Nothing else sees it: three at least.
  expect(lastDigitsToType(expected, others, false)).toBe(Math.max(3, count))
})

test.each([
  ['-112.406', '-', '406', undefined],
  // Right digits behind a turned sign look right: the tip would go down into metal.
  ['-112.406', '+', '406', 'sign'],
  ['112.406', '-', '406', 'sign'],
  ['-112.406', undefined, '406', 'sign'],
  ['-112.406', '-', '460', 'digits'],
  ['-112.406', '-', '06', 'digits'],
  ['-112.406', '-', '2406', 'digits'],
  ['-12.5', '-', '125', undefined],
  ['-12.5', '-', '12.5', undefined],
  ['0.000', undefined, '000', undefined],
  ['0.000', '-', '000', undefined],
  // What it cannot tell: the digits between.
  ['121.406', '+', '406', undefined],
] as const)('%s read back as %s…%s differs in: %s', (expected, sign, digits, differs) => {
  expect(shortReadBackDiffers(expected, { sign, digits }, 3)).toBe(differs)
})

test.each([
  ['H3', false, 'sign-and-digits'],
  ['G54.Z', false, 'sign-and-digits'],
  ['G54.1 P2.Z', false, 'sign-and-digits'],
  ['G54.X', false, 'seen'],
  ['G54.Y', false, 'seen'],
  ['D3', false, 'seen'],
  // The row shows a number that looks right.
  ['G54.X', true, 'sign-and-digits'],
  ['D3', true, 'sign-and-digits'],
] as const)('of %s (keyed before: %s) %s is the least', (address, wasKeyed, way) => {
  expect(leastReadBack(address as Address, { wasKeyed })).toBe(way)
})
