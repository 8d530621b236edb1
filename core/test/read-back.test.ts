import { areLastDigits, leastReadBack, partedDigits } from '@pine/core/keyin'
import type { Address } from '@pine/core/address'

test.each([
  ['-112.406', '-112.', '406'],
  ['4.1234', '4.1', '234'],
  ['0.000', '0.', '000'],
  ['-12.5', '-', '12.5'],
  ['12.50', '1', '2.50'],
  ['.5', '', '.5'],
  ['1234', '1', '234'],
])('%s is parted where its last three digits begin', (shown, first, last) => {
  expect(partedDigits(shown)).toEqual({ first, last })
})

test.each([
  ['-112.406', '406', true],
  ['-112.406', '460', false],
  ['-112.406', '06', false],
  ['-112.406', '2406', false],
  ['-12.5', '125', true],
  ['-12.5', '12.5', true],
  // What it cannot tell: the digits before, and the sign.
  ['121.406', '406', true],
])('%s ends in %s: %s', (shown, typed, are) => {
  expect(areLastDigits(shown, typed)).toBe(are)
})

test.each([
  ['H3', false, 'last-digits'],
  ['G54.Z', false, 'last-digits'],
  ['G54.1 P2.Z', false, 'last-digits'],
  ['G54.X', false, 'seen'],
  ['G54.Y', false, 'seen'],
  ['D3', false, 'seen'],
  // The row shows a number that looks right.
  ['G54.X', true, 'last-digits'],
  ['D3', true, 'last-digits'],
] as const)('of %s (keyed before: %s) %s is the least', (address, wasKeyed, way) => {
  expect(leastReadBack(address as Address, { wasKeyed })).toBe(way)
})
