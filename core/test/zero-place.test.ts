import { type AxisPlan } from '../src/sheet'
import {
  AXIS_PLACES,
  facesTouched,
  withFaces,
  withStockSize,
  withZeroAt,
  withZeroHeight,
  ZERO_HEIGHTS,
  zeroHeightOf,
  zeroPlaceOf,
  zeroShare,
} from '../src/sheet/zero-place'
import { FACES_OF_AXIS, type PlanAxis } from '../src/touch/touch'
import { describeZeroHeight, describeZeroPlace } from '../src/words'
import { mm } from './worked-example'

const AXES: readonly PlanAxis[] = ['X', 'Y']
const W = mm('120')
const drawingOf = (plan: AxisPlan) => Number(plan.drawing.text)

/** Where a face lies in the program's coordinates, counted by hand: its distance from zero along the axis. */
const coordinate = (end: 'low' | 'high', zero: (typeof AXIS_PLACES)[number]) =>
  (end === 'low' ? 0 : 120) - { low: 0, middle: 60, high: 120 }[zero]

describe.each(AXES)('zero put at a place of the stock in %s', (axis) => {
  const [low, high] = FACES_OF_AXIS[axis]

  test.each(AXIS_PLACES)('%s: found by the face there, or by both for the middle', (place) => {
    const plan = withZeroAt(W, axis, place)
    expect(facesTouched(plan, axis)).toEqual(
      { low: [low], middle: [low, high], high: [high] }[place],
    )
    expect(drawingOf(plan)).toBe(0)
    expect(zeroPlaceOf(plan, W, axis)).toBe(place)
    expect(zeroShare(plan, W, axis)).toBe({ low: 0, middle: 0.5, high: 1 }[place])
  })

  test.each(AXIS_PLACES)(
    '%s: other faces find the same zero, and what they are follows',
    (place) => {
      const plan = withZeroAt(W, axis, place)
      for (const [end, face] of [
        ['low', low],
        ['high', high],
      ] as const) {
        const by = withFaces(plan, W, axis, [face])
        expect(drawingOf(by)).toBe(coordinate(end, place))
        expect(zeroPlaceOf(by, W, axis)).toBe(place)
        expect(zeroShare(by, W, axis)).toBe({ low: 0, middle: 0.5, high: 1 }[place])
      }
      const both = withFaces(plan, W, axis, [low, high])
      expect(drawingOf(both)).toBe((coordinate('low', place) + coordinate('high', place)) / 2)
      expect(zeroPlaceOf(both, W, axis)).toBe(place)
    },
  )

  test('another size of the stock leaves zero at its place', () => {
    const right = withFaces(withZeroAt(W, axis, 'high'), W, axis, [low])
    expect(right.drawing).toEqual(mm('-120'))
    const wider = withStockSize(right, axis, W, mm('125.5'))
    expect(wider.drawing).toEqual(mm('-125.5'))
    const middle = { ...withZeroAt(W, axis, 'middle'), tolerance: mm('0.5') } as AxisPlan
    expect(withStockSize(middle, axis, W, mm('125.5'))).toMatchObject({
      drawing: mm('0'),
      size: mm('125.5'),
      tolerance: mm('0.5'),
    })
    expect(withStockSize(withFaces(middle, W, axis, [low]), axis, W, mm('12.5')).drawing).toEqual(
      mm('-6.25'),
    )
  })
})

test('zero elsewhere is nobody’s place: it stays as it was typed', () => {
  const elsewhere = { ...withZeroAt(W, 'X', 'low'), drawing: mm('-5') }
  expect(zeroPlaceOf(elsewhere, W, 'X')).toBeUndefined()
  expect(zeroShare(elsewhere, W, 'X')).toBeCloseTo(5 / 120, 12)
  expect(withStockSize(elsewhere, 'X', W, mm('130'))).toBe(elsewhere)
  // By another face it is to be typed: nothing is made up.
  expect(withFaces(elsewhere, W, 'X', ['right']).drawing).toEqual(mm(''))
  // Neither a slot, nor a step, nor a bore tells where the stock's ends are.
  const slot = { ...withZeroAt(W, 'X', 'middle'), side: 'inside' } as AxisPlan
  const step = { ...withZeroAt(W, 'X', 'middle'), size: mm('40') } as AxisPlan
  const bore: AxisPlan = { by: 'sweep', side: 'inside', drawing: mm('0') }
  for (const plan of [slot, step, bore]) {
    expect(zeroPlaceOf(plan, W, 'X')).toBeUndefined()
    expect(zeroShare(plan, W, 'X')).toBeUndefined()
  }
})

test('before the stock is known, zero at the face that is touched is known all the same', () => {
  const blank = mm('')
  for (const place of AXIS_PLACES)
    expect(zeroPlaceOf(withZeroAt(blank, 'Y', place), blank, 'Y')).toBe(place)
  expect(withFaces(withZeroAt(blank, 'Y', 'low'), blank, 'Y', ['back']).drawing).toEqual(mm(''))
})

test('inches: half of 3-1/8 is 1.5625', () => {
  const stock = { text: '3-1/8', unit: 'in' } as const
  const plan = withFaces(withZeroAt(stock, 'X', 'middle'), stock, 'X', ['left'])
  expect(plan.drawing).toEqual({ text: '-1.5625', unit: 'in' })
  expect(zeroPlaceOf(plan, stock, 'X')).toBe('middle')
})

test.each(ZERO_HEIGHTS)('in height: %s', (height) => {
  const stock = mm('40')
  const facing = { top: mm('0'), below: mm('0.5'), bottom: stock }[height]
  expect(zeroHeightOf(facing, stock)).toBe(height)
  expect(withZeroHeight(facing, stock, height)).toEqual(facing)
  for (const other of ZERO_HEIGHTS)
    if (other !== 'below')
      expect(zeroHeightOf(withZeroHeight(facing, stock, other), stock)).toBe(other)
  if (height !== 'below') expect(withZeroHeight(facing, stock, 'below')).toEqual(mm(''))
})

test('in words, as a person says it', () => {
  expect(describeZeroPlace('low', 'low')).toBe('left front corner')
  expect(describeZeroPlace('high', 'high')).toBe('right back corner')
  expect(describeZeroPlace('middle', 'low')).toBe('middle of the front side')
  expect(describeZeroPlace('high', 'middle')).toBe('middle of the right side')
  expect(describeZeroPlace('middle', 'middle')).toBe('middle')
  expect(describeZeroHeight('top', mm('0'))).toBe('stock top')
  expect(describeZeroHeight('below', mm('0.5'))).toBe('0.5 mm below the stock top')
  expect(describeZeroHeight('below', mm(''))).toBe('below the stock top')
  expect(describeZeroHeight('bottom', mm('40'))).toBe('bottom')
})
