import { isCircleTouch, surpriseAround } from '../src/expect'
import type { SetupDocument } from '../src/facts'
import type { AxisPlan } from '../src/sheet'
import { describeSurprise } from '../src/words'
import { mm, readingOf, setupOf, workedSheet } from './worked-example'

// A bore of 40 whose middle stands at −300, −200: a 10 mm finder touches it with the axis 15 from there. By hand.

const plan = (side: 'inside' | 'outside', tolerance: string): AxisPlan => ({
  by: 'circle',
  side,
  diameter: mm('40.000'),
  tolerance: mm(tolerance),
  drawing: mm('0'),
})

const touch = (point: number, x: string, y: string) =>
  readingOf<'circle-point'>({
    of: 'circle-point',
    row: 'G54',
    point,
    read: mm(x),
    readY: mm(y),
    with: ['finder'],
  })

const bore = (
  touches: readonly (readonly [string, string])[],
  side: 'inside' | 'outside' = 'inside',
  tolerance = '0.050',
): SetupDocument => {
  const [first] = workedSheet().offsets
  const circle = plan(side, tolerance)
  return setupOf(
    workedSheet({ offsets: [{ ...first!, X: circle, Y: circle }] }),
    touches.map(([x, y], index) => touch(index + 1, x, y)),
  )
}

const two = bore([
  ['-285.000', '-200.000'],
  ['-300.000', '-185.000'],
])

const at = (document: SetupDocument, x: string, y: string, point = 3) => {
  const toBe = touch(point, x, y)
  if (!isCircleTouch(toBe)) throw new Error('it is a touch around a circle')
  return surpriseAround(document, toBe)
}

test('a third touch lies on one of the two circles that the drawing leaves, or is told', () => {
  expect(at(two, '-315.000', '-200.000')).toBeUndefined()
  // The other circle through both, with its middle at −285, −185.
  expect(at(two, '-270.000', '-185.000')).toBeUndefined()
  const three = bore([
    ['-285.000', '-200.000'],
    ['-300.000', '-185.000'],
    ['-315.000', '-200.000'],
  ])
  expect(at(three, '-300.000', '-215.000', 4)).toBeUndefined()
  expect(at(three, '-270.000', '-185.000', 4)).toBeDefined()
})

test.each([
  ['the sign of X', '315.000', '-200.000', 'read', 'reading-sign-lost', -315],
  ['two digits of X', '-351.000', '-200.000', 'read', 'digits-swapped', -315],
  ['a digit of Y', '-315.000', '-260.000', 'readY', 'digit-wrong', -200],
  ['the point of X', '-31.500', '-200.000', 'read', 'decimal-shifted', -315],
  ['X in inches', '-12.4016', '-200.000', 'read', 'unit-inch-for-mm', -315.00064],
])('%s is named, with the number that was meant', (_, x, y, number, code, meant) => {
  const found = at(two, x, y)
  expect(found?.number).toBe(number)
  expect(found?.slip).toMatchObject({ code, meant: meant * 1e6 })
})

test('off by no usual slip: the number that lies off is said with what it should be', () => {
  const found = at(two, '-317.300', '-200.000')
  expect(found).toMatchObject({ number: 'read', expected: { because: [{ of: 'circle' }] } })
  expect(found?.expected.mm).toBeCloseTo(-315, 9)
  const words = describeSurprise(found!, 'mm', (nm) => (nm / 1e6).toFixed(3))
  expect(words.expected).toBe('Expected X −315.0 ± 0.1 mm (other touches, diameter on the drawing)')
})

test('five times what the drawing allows is looked at, and no less', () => {
  // Half of 0.2 is one standard deviation of the radius: from 0.5 on it is told.
  const wide = bore(
    [
      ['-285.000', '-200.000'],
      ['-300.000', '-185.000'],
    ],
    'inside',
    '0.200',
  )
  expect(at(wide, '-315.490', '-200.000')).toBeUndefined()
  expect(at(wide, '-315.510', '-200.000')).toBeDefined()
  expect(at(wide, '-314.490', '-200.000')).toBeDefined()
})

test('round a boss the sensor stands outside it', () => {
  const boss = bore(
    [
      ['-275.000', '-200.000'],
      ['-300.000', '-175.000'],
    ],
    'outside',
  )
  expect(at(boss, '-325.000', '-200.000')).toBeUndefined()
  expect(at(boss, '-315.000', '-200.000')).toBeDefined()
})

test('opposite touches leave one circle, also where they lie a hair further apart than the drawing says', () => {
  const across = bore([
    ['-285.000', '-200.000'],
    ['-315.004', '-200.000'],
  ])
  expect(at(across, '-300.002', '-185.000')).toBeUndefined()
  expect(at(across, '-300.002', '-180.000')).toBeDefined()
})

test('nothing is expected of the first two, nor of one that is made anew beside itself', () => {
  expect(at(bore([['-285.000', '-200.000']]), '300.000', '-185.000', 2)).toBeUndefined()
  expect(at(bore([]), '300.000', '-185.000', 1)).toBeUndefined()
  expect(at(two, '-30.000', '-185.000', 2)).toBeUndefined()
  expect(
    at(
      bore([
        ['-285.000', '-200.000'],
        ['-285.000', '-200.000'],
      ]),
      '-1',
      '-1',
    ),
  ).toBeUndefined()
  expect(at(two, 'x', '-200.000')).toBeUndefined()
})

test('after two opposite touches of a bore a hair small a right third one is no surprise, and a swapped digit still is', () => {
  // The bore is 39.99: opposite touches 29.99 apart leave the middle anywhere within 0.4 across them, by √(15² − 14.995²).
  const small = bore([
    ['-314.995', '-200.000'],
    ['-285.005', '-200.000'],
  ])
  expect(at(small, '-300.000', '-185.005')).toBeUndefined()
  expect(at(small, '-300.000', '-214.995')).toBeUndefined()
  expect(at(small, '-300.000', '-158.005')?.slip?.code).toBe('digits-swapped')
})
