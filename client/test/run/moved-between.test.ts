import { movedBetween } from '../../src/areas/run/read/position/moved-between'
import { after, example, mm, registerAt } from './set-ups'

const whole = example('whole-run', 6)

test('two touches too far apart: the plane, or the part of its row, may have been moved', () => {
  const { document } = whole
  expect(movedBetween(document, { of: 'tip-on-plane', tool: 1 })?.draft.body).toEqual({
    kind: 'plane-moved',
  })
  expect(movedBetween(document, { of: 'face', row: 'G54', face: 'left' })?.draft.body).toEqual({
    kind: 'part-changed',
    row: 'G54',
  })
  expect(movedBetween(document, { of: 'tool-diameter', tool: 1 })).toBeUndefined()
})

test('said so, no mean is taken of the two, and the register follows the touch since', () => {
  const { draft: said } = movedBetween(whole.document, { of: 'tip-on-plane', tool: 1 })!
  const again = {
    kind: 'reading',
    body: { of: 'tip-on-plane', tool: 1, with: ['setter'], read: mm('-221.000') },
  } as const
  expect(registerAt(after(whole, said, again), 'H1').value).toBe(-271_000_000)
  // Without it neither counts.
  expect(registerAt(after(whole, again), 'H1').value).toBeUndefined()
})
