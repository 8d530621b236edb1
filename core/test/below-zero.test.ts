import { isSurelyBelowZero } from '../src/expect'
import { type Nanometres } from '../src/length'
import { type QuantityName } from '../src/quantities'
import { mm, workedDocument, workedSheet } from './worked-example'

const { machine } = workedSheet()
const on = (max: string) =>
  workedDocument({
    machine: {
      ...machine,
      travels: {
        X: { min: mm('-500'), max: mm('0') },
        Y: { min: mm('-400'), max: mm('10') },
        Z: { min: mm('-450'), max: mm(max) },
      },
    },
  })

const TIP: QuantityName = { of: 'tip-on-plane', tool: 1 }
const LEFT: QuantityName = { of: 'face', row: 'G54', face: 'left' }
const CIRCLE: QuantityName = { of: 'circle-point', row: 'G54', point: 1 }

test('a machine position whose travel ends at zero or below needs no sign', () => {
  expect(isSurelyBelowZero(on('0'), TIP, 'read')).toBe(true)
  expect(isSurelyBelowZero(on('0.001'), TIP, 'read')).toBe(false)
  expect(isSurelyBelowZero(on('0'), LEFT, 'read')).toBe(true)
  // Its Y goes on past zero.
  expect(isSurelyBelowZero(on('0'), CIRCLE, 'read')).toBe(true)
  expect(isSurelyBelowZero(on('0'), CIRCLE, 'readY')).toBe(false)
})

test('a row that is read instead is off by what is told to the control', () => {
  // Copied on a 50 mm setter, H shows 50 less than Z; told 65 more, G54 X may come above zero.
  expect(isSurelyBelowZero(on('10'), TIP, 'read', -50e6 as Nanometres)).toBe(true)
  expect(isSurelyBelowZero(on('0'), LEFT, 'read', 65e6 as Nanometres)).toBe(false)
})

test('nothing is sure of a counter, a micrometer, or a machine whose travels nobody declared', () => {
  expect(isSurelyBelowZero(workedDocument(), TIP, 'read')).toBe(false)
  const difference: QuantityName = { of: 'carried-difference', row: 'G54' }
  expect(isSurelyBelowZero(on('0'), difference, 'read')).toBe(false)
  expect(isSurelyBelowZero(on('0'), { of: 'tool-diameter', tool: 1 }, 'read')).toBe(false)
})
