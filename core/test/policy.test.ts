import { underPolicy } from '../src/facts'
import { stepsOf } from '../src/plan'
import { asksLess, shopMachineOf, type MachinePolicy } from '../src/sheet'
import { stricterOf } from '../src/sheet/policy'
import { solve } from '../src/solve'
import { mm, workedDocument } from './worked-example'

const LOOK = { secondLook: true }
const RISKIEST: MachinePolicy = { proves: 'riskiest' }

test.each([
  ['nothing as before', undefined, undefined, false],
  ['a look falls away', {}, LOOK, true],
  ['a look falls away, and readings may be younger only', { maxAgeDays: 1 }, LOOK, true],
  ['a look comes', LOOK, undefined, false],
  ['readings may grow older', { maxAgeDays: 8 }, { maxAgeDays: 7 }, true],
  ['readings grow old earlier', { maxAgeDays: 6 }, { maxAgeDays: 7 }, false],
  ['only the riskiest are proven any more', RISKIEST, {}, true],
  ['all are proven again', {}, RISKIEST, false],
  ['the riskiest, as before', RISKIEST, RISKIEST, false],
  ['readings never grow old any more', LOOK, { ...LOOK, maxAgeDays: 7 }, true],
])('%s', (_name, now, before, less) => {
  expect(asksLess(now, before)).toBe(less)
})

test('of two policies both are asked', () => {
  expect(stricterOf({ maxAgeDays: 7 }, { maxAgeDays: 3, secondLook: true })).toEqual({
    maxAgeDays: 3,
    secondLook: true,
  })
  expect(stricterOf(LOOK, { maxAgeDays: 3 })).toEqual({ ...LOOK, maxAgeDays: 3 })
  expect(stricterOf(undefined, LOOK)).toBe(LOOK)
  // Never one that asks less than either.
  expect(stricterOf(RISKIEST, undefined)).toEqual({})
  expect(stricterOf(RISKIEST, LOOK)).toEqual(LOOK)
  expect(stricterOf(RISKIEST, { ...LOOK, ...RISKIEST })).toEqual({ ...LOOK, ...RISKIEST })
  for (const one of [LOOK, { maxAgeDays: 2 }, {}, RISKIEST])
    for (const other of [{ maxAgeDays: 5 }, LOOK, {}, RISKIEST]) {
      const both = stricterOf(one, other)
      expect([asksLess(both, one), asksLess(both, other)]).toEqual([false, false])
    }
})

test('what the machine asks now is asked of a set-up whose sheet was written before', () => {
  const document = workedDocument()
  const looks = (one: typeof document) =>
    stepsOf(one, solve(one), false).some(({ step }) => step.key.endsWith('look'))
  expect(looks(document)).toBe(false)
  expect(looks(underPolicy(document, LOOK))).toBe(true)
  expect(looks(underPolicy(underPolicy(document, LOOK), {}))).toBe(true)
  expect(underPolicy(document, undefined)).toBe(document)
})

test('the shop’s machine is known by its id; by its name where a sheet tells no id', () => {
  const machines = [
    { id: 'a', machine: { name: 'Mill 2' } },
    { id: 'b', machine: { name: 'Router' } },
  ]
  expect(shopMachineOf(machines, { machineId: 'b', machine: { name: 'Mill 2' } })?.id).toBe('b')
  expect(shopMachineOf(machines, { machine: { name: 'Mill 2' } })?.id).toBe('a')
  expect(shopMachineOf(machines, { machine: { name: 'Lathe' } })).toBeUndefined()
})

test('a grip that is less is less asked, and of two policies the greater one counts', () => {
  const grip = (text: string) => ({ leastGrip: mm(text) })
  expect(asksLess(grip('3'), grip('5'))).toBe(true)
  expect(asksLess({}, grip('5'))).toBe(true)
  expect(asksLess(undefined, grip('5'))).toBe(true)
  expect(asksLess(grip('5'), grip('5'))).toBe(false)
  expect(asksLess(grip('5'), undefined)).toBe(false)
  expect(stricterOf(grip('3'), grip('5'))).toEqual(grip('5'))
  expect(stricterOf(grip('5'), grip('3'))).toEqual(grip('5'))
  expect(stricterOf({}, grip('3'))).toEqual(grip('3'))
})
