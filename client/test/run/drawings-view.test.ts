import { besideStep, lastInZ } from '@/areas/run/frame/beside/drawings-view'
import { example } from './set-ups'

const { document, steps } = example('whole-run')
const beside = (key: string) => {
  const found = steps.find(({ step }) => step.key === key)
  if (found === undefined) throw new Error(key)
  const { plan, heights } = besideStep(document.sheet, found.step)
  return [plan?.row, heights]
}

test.each([
  ['tip-on-plane:T1', 'G54', false],
  ['face:G54:left', undefined, true],
  ['carried-difference:G54', 'G54', false],
  ['key-in:H1', 'G54', false],
  ['key-in:G54.X', undefined, true],
  ['key-in:G54.Z', 'G54', false],
  ['prove:G54:T1', 'G54', false],
  ['home', 'G54', true],
  ['record', 'G54', true],
] as const)('beside %s stands what it does not draw itself', (key, plan, heights) => {
  expect(beside(key)).toEqual([plan, heights])
})

test('heights are those of what was touched last in Z', () => {
  expect(lastInZ(example('whole-run', 1).document)).toBeUndefined()
  expect(lastInZ(example('whole-run', 3).document)?.of).toBe('tip-on-plane')
  expect(lastInZ(example('whole-run', 5).document)?.of).toBe('tip-on-plane')
})
