import { ANOTHER_PARTS, partStays, stepsOf } from '../src/plan'
import { type OffsetPlan } from '../src/sheet'
import { solve } from '../src/solve'
import { describeEvent } from '../src/words/setup/event-words'
import { event, mm, planeReadings, workedDocument, workedSheet } from './worked-example'

const [offset] = workedSheet().offsets
if (offset === undefined) throw new Error('the worked sheet has one')
const middle: OffsetPlan['X'] = {
  by: 'two-faces',
  side: 'outside',
  size: mm('120'),
  tolerance: mm('0.1'),
  drawing: mm('0'),
}
const stale = (how: (typeof ANOTHER_PARTS)[number], changes: Partial<OffsetPlan> = {}) => {
  const sheet = { offsets: [{ ...offset, ...changes }] }
  const document = workedDocument(sheet, planeReadings())
  const stays = partStays(document.sheet, 'G54', how)
  const body = { kind: 'part-changed', row: 'G54', ...(stays && { stays }) } as const
  const { registers } = solve({ ...document, events: [event(body)] })
  return registers.filter(({ state }) => state === 'stale').map(({ address }) => address)
}

test.each([
  ['anew', ['G54.X', 'G54.Y', 'G54.Z']],
  ['stop', ['G54.Z']],
  ['stop-and-height', []],
] as const)('another part, %s: what has to be found again', (how, wanted) => {
  expect(stale(how)).toEqual(wanted)
})

test('what a part shares is said beside what is stale by it', () => {
  const said = (how: (typeof ANOTHER_PARTS)[number]) => {
    const stays = partStays(workedSheet(), 'G54', how)
    return describeEvent(event({ kind: 'part-changed', row: 'G54', ...(stays && { stays }) }), [])
  }
  expect(said('anew')).toBe('another part is in G54')
  expect(said('stop')).toBe('another part is in G54, against the same stop, of another height')
  expect(said('stop-and-height')).toBe(
    'another part is in G54, against the same stop, of the same height',
  )
})

test('only one face holds at a stop: a middle moves by half of what the parts differ', () => {
  expect(partStays({ offsets: [{ ...offset, X: middle }] }, 'G54', 'stop')?.faces).toEqual([
    'front',
  ])
  expect(partStays(workedSheet(), 'G55', 'stop')).toBeUndefined()
})

test('where the tools are touched on the part, it is held before the first of them', () => {
  const order = (school: 'part-top' | 'setting-plane') => {
    const Z = school === 'part-top' ? ({ by: 'part-top', facing: mm('0') } as const) : offset.Z
    const document = workedDocument({ school, offsets: [{ ...offset, Z }] }, [])
    const keys = stepsOf(document, solve(document), false).map(({ step }) => step.key)
    return keys.filter((key) => key === 'holding' || key.startsWith('tip-on'))
  }
  expect(order('part-top')).toEqual(['holding', 'tip-on-part:G54:T1'])
  expect(order('setting-plane')).toEqual(['tip-on-plane:T1', 'holding'])
})

test('where the sheet says what lies against jaw and stop, those faces of the first part hold, and no others', () => {
  const holding = {
    jaw: mm('50'),
    parallels: mm('25'),
    against: { jaw: 'front', stop: 'right' },
  } as const
  // Left is touched, and the part lies with its right face at the stop: it moves by what the parts differ.
  expect(partStays({ ...workedSheet(), holding }, 'G54', 'stop')).toEqual({
    faces: ['front'],
    top: false,
  })
  const second = { ...offset, row: 'G55' } as const
  const sheet = { ...workedSheet({ offsets: [offset, second] }), holding }
  expect(partStays(sheet, 'G55', 'stop-and-height')).toEqual({
    faces: ['left', 'front'],
    top: true,
  })
})
