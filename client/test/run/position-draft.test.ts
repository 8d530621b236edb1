import { type QuantityName } from '@pine/core/quantities'
import {
  positionOf,
  positionProblem,
  positionSuggested,
  positionView,
  zeroedHere,
} from '../../src/areas/run/read/position/position-draft'
import { readingView } from '../../src/areas/run/read/reading-view'
import { after, example } from './set-ups'

const TIP: QuantityName = { of: 'tip-on-plane', tool: 1 }
const NOSE: QuantityName = { of: 'nose-on-plane' }
const LEFT: QuantityName = { of: 'face', row: 'G54', face: 'left' }
const mm = (text: string) => ({ text, unit: 'mm' as const })

const blank = example('whole-run', 1)
const { machine } = blank.document.sheet
const onCounter = example('whole-run', 1, { machine: { ...machine, reads: 'counter' } })
const ask = (
  draft: Parameters<typeof positionView>[3],
  quantity: QuantityName = TIP,
  setup = blank,
) => positionView(setup.document, setup.solution, quantity, draft)
const made = (
  draft: Parameters<typeof positionView>[3],
  quantity: QuantityName = TIP,
  setup = blank,
) => positionOf(setup.document, setup.solution, quantity, draft)

test('the machine position, where nothing else is said; as people read on this machine, where it is', () => {
  expect(positionSuggested(blank.document, TIP)).toEqual({ reads: 'machine' })
  expect(made({ reads: 'machine' })).toBeUndefined()
  expect(positionSuggested(onCounter.document, TIP)).toEqual({ reads: 'counter' })
  // A micrometer shows no position.
  expect(positionSuggested(onCounter.document, { of: 'tool-diameter', tool: 1 })).toEqual({
    reads: 'machine',
  })
})

test('where a counter was zeroed is never assumed, and the next touch keeps to it', () => {
  expect(
    positionProblem(onCounter.document, onCounter.solution, NOSE, { reads: 'counter' }),
  ).toMatch(/where the relative counter was zeroed/)
  expect(made({ reads: 'counter' })).toBeUndefined()
  expect(made({ reads: 'counter', zeroed: 'here' }, NOSE)).toEqual({ of: 'counter' })
  expect(zeroedHere(NOSE, { reads: 'counter', zeroed: 'here' })).toEqual({
    kind: 'event',
    body: { kind: 'counter-zeroed', axis: 'Z' },
  })
  expect(zeroedHere(LEFT, { reads: 'counter', zeroed: 'here' })?.body.axis).toBe('X')
  expect(zeroedHere(NOSE, { reads: 'counter', zeroed: 'before' })).toBeUndefined()
  const read = after(onCounter, {
    kind: 'reading',
    body: { of: 'nose-on-plane', with: [], read: mm('0'), position: { of: 'counter' } },
  })
  expect(positionSuggested(read.document, TIP)).toEqual({ reads: 'counter', zeroed: 'before' })
  // X has a counter of its own.
  expect(positionSuggested(read.document, LEFT)).toEqual({ reads: 'counter' })
})

test('read on the counter where a place is needed, it is asked for again, by the machine position', () => {
  const face = {
    of: 'face',
    row: 'G54',
    face: 'left',
    with: ['finder'],
    read: mm('-3.5'),
    position: { of: 'counter' },
  } as const
  const read = after(blank, { kind: 'reading', body: { ...face, with: [...face.with] } })
  const view = (setup: typeof blank) =>
    readingView(setup, LEFT, {
      draft: { with: ['finder'], withOnPlane: [] },
      complete: false,
      started: false,
      again: false,
      preview: setup.document,
      solution: setup.solution,
      belief: undefined,
      surprise: undefined,
      capture: undefined,
      row: undefined,
      reads: { reads: 'machine' },
    })
  expect(view(read)).toMatchObject({ reviewing: false, label: expect.stringMatching(/^Machine X/) })
  expect(view(read).unplaced).toMatch(/relative counter: G54 X cannot be counted/)
  expect(read.steps.find(({ step }) => step.key === 'face:G54:left')).toMatchObject({ done: false })
  const again = after(read, {
    kind: 'reading',
    body: { of: 'face', row: 'G54', face: 'left', with: ['finder'], read: mm('-412.3') },
  })
  expect(view(again)).toMatchObject({ reviewing: true, unplaced: undefined })
})

test('zeroed with the nose on the same surface: only a tip is asked, and it is a length', () => {
  const values = (quantity: QuantityName) =>
    ask({ reads: 'counter' }, quantity).zeroed.map(({ value }) => value)
  expect(values(TIP)).toEqual(['from:nose', 'here', 'before'])
  expect(values(LEFT)).toEqual(['here', 'before'])
  // Two counters are not zeroed in one press.
  expect(values({ of: 'circle-point', row: 'G54', point: 1 })).toEqual(['before'])
  expect(made({ reads: 'counter', zeroed: 'from:nose' })).toEqual({
    of: 'counter-from',
    tool: null,
  })
  const master = example('whole-run', 1, {
    school: 'master-tool',
    reference: { masterTool: 2 },
    tools: [
      ...blank.document.sheet.tools.filter(({ number }) => number === 1),
      { number: 2, name: 'master', lengthRegister: 2 },
    ],
  })
  expect(ask({ reads: 'counter' }, TIP, master).zeroed.map(({ value }) => value)).toContain(
    'from:2',
  )
  expect(made({ reads: 'counter', zeroed: 'from:2' }, TIP, master)).toEqual({
    of: 'counter-from',
    tool: 2,
  })
})

test('a work position asks for its row, what it shows, and in Z the length that is active', () => {
  const view = ask({ reads: 'work' })
  expect(view.shown.map(({ label }) => label)).toEqual(['G54 Z shows'])
  expect(view.lengths.map(({ value }) => value)).toContain('H1')
  expect(view.problem).toMatch(/say which row and length are active/)
  expect(made({ reads: 'work', holds: { Z: '-12.5' } })).toBeUndefined()
  expect(made({ reads: 'work', holds: { Z: '-12.5' }, length: 'none' })).toEqual({
    of: 'work',
    row: 'G54',
    holds: { Z: mm('-12.5') },
  })
  expect(made({ reads: 'work', holds: { Z: '-12.5' }, length: 'H1' })).toBeUndefined()
  expect(
    made({ reads: 'work', holds: { Z: '-12.5' }, length: 'H1', lengthHolds: '80.1' }),
  ).toMatchObject({ length: { address: 'H1', holds: mm('80.1') } })
  // No length matters in a plane.
  expect(ask({ reads: 'work' }, LEFT).lengths).toEqual([])
  expect(made({ reads: 'work', holds: { X: '-400' } }, LEFT)).toEqual({
    of: 'work',
    row: 'G54',
    holds: { X: mm('-400') },
  })
})
