import { valueOf, type Chain } from '../src/chain'
import { chainOf } from '../src/chain/chain'
import { readLength } from '../src/length'
import { axisOfFace, gaugeServes, GAUGE_KINDS, type Face } from '../src/touch'
import { approachDirection, faceBeyond, planeUnder } from '../src/touch/touch'

function length(
  text: string,
  role: 'axis-at-contact' | 'gauge-beneath' = 'axis-at-contact',
): Chain {
  const read = readLength({ text, unit: 'mm' })
  if (!read.ok) throw new Error(read.problem.code)
  return chainOf({ id: text + role, kind: 'reading', name: text, length: read.value }, role)
}

// Directions are those of the tool relative to the part (ISO 841). From outside, a tool that meets
// the left face can only be moving towards +X: these are geometry, not convention.
test.each<[Face, 'outside' | 'inside', 1 | -1, 'X' | 'Y']>([
  ['left', 'outside', 1, 'X'],
  ['right', 'outside', -1, 'X'],
  ['front', 'outside', 1, 'Y'],
  ['back', 'outside', -1, 'Y'],
  ['left', 'inside', -1, 'X'],
  ['right', 'inside', 1, 'X'],
  ['front', 'inside', -1, 'Y'],
  ['back', 'inside', 1, 'Y'],
])('the %s %s face is met moving %d along %s', (face, side, direction, axis) => {
  expect(approachDirection(face, side)).toBe(direction)
  expect(axisOfFace(face)).toBe(axis)
})

test('a face lies a radius beyond the spindle axis, in the direction of travel', () => {
  expect(valueOf(faceBeyond(length('-412.300'), length('5', 'gauge-beneath'), 1))).toBe(
    -407_300_000,
  )
  expect(valueOf(faceBeyond(length('-282.300'), length('5', 'gauge-beneath'), -1))).toBe(
    -287_300_000,
  )
})

test('a plane lies a gauge below the contact', () => {
  expect(valueOf(planeUnder(length('-300'), length('50', 'gauge-beneath')))).toBe(-350_000_000)
})

// docs/domain.md, “Touches”: what counts along an axis serves a touch there and an end of a difference; what only tells serves what it
// was made for, whatever the axis; a sweep takes a dial and a diameter a micrometer.
test('a gauge serves where it counts, and for what it is kept', () => {
  const serving = (purpose: Parameters<typeof gaugeServes>[1], axis: 'X' | 'Y' | 'Z') =>
    GAUGE_KINDS.filter((kind) => gaugeServes(kind, purpose, axis))
  const inZ = ['height-setter', 'light-setter', 'fixed-setter', 'ball', 'gauge-block', 'pin']
  const between = ['shim', 'card', 'paper', 'plate']
  expect(serving('touch', 'Z')).toEqual([...inZ, ...between])
  expect(serving('difference', 'Z')).toEqual([...inZ, ...between, 'dial-indicator'])
  const inPlane = ['gauge-block', 'pin', ...between, 'edge-finder', 'wobbler', 'cutter']
  expect(serving('touch', 'X')).toEqual([...inPlane, 'dial-sensor', 'probe'])
  expect(serving('touch', 'Y')).toEqual(serving('touch', 'X'))
  expect(serving('sweep', 'X')).toEqual(['dial-indicator'])
  expect(serving('diameter', 'Z')).toEqual(['micrometer'])
})
