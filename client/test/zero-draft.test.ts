import { emptyDraft, type SheetDraft } from '@/areas/new-setup/sheet-draft'
import { withAgainst } from '@/areas/new-setup/zero/holding-draft'
import { takesHabits, withHabits } from '@/areas/new-setup/habits-draft'
import {
  withFaceTurned,
  withStock,
  withZeroPlaced,
  withZeroRaised,
  withZeroWords,
  zeroView,
  zeroWords,
  withSpared,
} from '@/areas/new-setup/zero/zero-draft'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const stock = { X: mm('120'), Y: mm('80'), Z: mm('40') }
const draft: SheetDraft = { ...emptyDraft(), stock }
const [offset] = draft.offsets
if (offset === undefined) throw new Error('a draft has a first offset')

test('zero is put on the picture, and the faces that find it follow', () => {
  const corner = withZeroPlaced(offset, stock, 'high', 'middle')
  expect(zeroView(corner, stock)).toEqual({
    byFaces: true,
    at: { X: 'high', Y: 'middle' },
    share: { X: 1, Y: 0.5 },
    touched: ['right', 'front', 'back'],
    height: 'top',
  })
  // The left face as well: the middle of both, of which the drawing says where it is.
  const both = withFaceTurned(corner, stock, 'left')
  expect(both.X).toMatchObject({ by: 'two-faces', drawing: mm('-60') })
  const left = withFaceTurned(both, stock, 'right')
  expect(left.X).toMatchObject({ by: 'one-face', face: 'left', drawing: mm('-120') })
  expect(zeroView(left, stock).at.X).toBe('high')
  // Something has to find it.
  expect(withFaceTurned(left, stock, 'left')).toBe(left)
})

test('in height: on the stock top, below it by what is typed, at the bottom of whatever the stock is', () => {
  const bottom = withZeroRaised(offset, stock, 'bottom')
  expect(bottom.Z.facing).toEqual(mm('40'))
  const higher = withStock({ ...draft, offsets: [bottom] }, 'Z', mm('45'))
  expect(higher.offsets[0]?.Z.facing).toEqual(mm('45'))
  expect(withZeroRaised(bottom, stock, 'below').Z.facing).toEqual(mm(''))
  const faced = { ...offset, Z: { ...offset.Z, facing: mm('0.5') } }
  expect(withStock({ ...draft, offsets: [faced] }, 'Z', mm('45')).offsets[0]).toEqual(faced)
})

test('another size of the stock moves what the drawing says with it', () => {
  const right = withFaceTurned(
    withFaceTurned(withZeroPlaced(offset, stock, 'high', 'low'), stock, 'left'),
    stock,
    'right',
  )
  const wider = withStock({ ...draft, offsets: [right] }, 'X', mm('130'))
  expect(wider.stock.X).toEqual(mm('130'))
  expect(wider.offsets[0]?.X.drawing).toEqual(mm('-130'))
})

test('its words follow the picture, until somebody writes others', () => {
  expect(zeroWords(draft)).toBe('left front corner, stock top')
  const said = withZeroWords(draft, draft)
  expect(said.zero).toBe('left front corner, stock top')
  const moved = { ...said, offsets: [withZeroPlaced(offset, stock, 'middle', 'middle')] }
  expect(withZeroWords(said, moved).zero).toBe('middle, stock top')
  const own = { ...said, zero: 'datum A' }
  expect(withZeroWords(own, { ...moved, zero: 'datum A' }).zero).toBe('datum A')
  const elsewhere = { ...said, offsets: [{ ...offset, X: { ...offset.X, drawing: mm('-5') } }] }
  expect(withZeroWords(said, elsewhere).zero).toBe(said.zero)
})

describe('what the last set-up on a machine used', () => {
  const gauge = { id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50') } as const
  const habits = {
    unit: 'in',
    school: 'gauge-line',
    plane: 'fixed jaw',
    gauges: [gauge],
    reference: { constant: mm('100') },
    holding: { jaw: mm('50'), parallels: mm('25') },
    keying: 'as-known',
  } as const

  test('is taken over, the unit as well where nothing is typed yet', () => {
    expect(takesHabits(emptyDraft())).toBe(true)
    const taken = withHabits(emptyDraft(), habits)
    expect(taken).toMatchObject(habits)
    expect(taken.stock.X.unit).toBe('in')
    expect(takesHabits(taken)).toBe(false)
  })

  test('what a program or a person said of the part stays', () => {
    const written = { ...draft, holding: { jaw: mm('45'), parallels: mm('20') } }
    const taken = withHabits(written, habits)
    expect(taken).toMatchObject({ unit: 'mm', stock, holding: written.holding, plane: 'fixed jaw' })
  })

  test('jaw and stop stand where they stood, in the row that this job has', () => {
    const faces = [{ row: 'G54', face: 'left', at: mm('-407.3'), against: 'stop' }] as const
    const onG55 = { ...draft, offsets: [{ ...draft.offsets[0]!, row: 'G55' as const }] }
    expect(withHabits(onG55, { ...habits, stood: { plane: mm('-350'), faces } }).stood).toEqual({
      plane: mm('-350'),
      faces: [{ ...faces[0], row: 'G55' }],
    })
    expect(withHabits(draft, { ...habits, stood: { plane: mm('-350') } }).stood).toEqual({
      plane: mm('-350'),
    })
  })

  test('what lies against jaw and stop is said one by one, and taken back', () => {
    const holding = { jaw: mm('50'), parallels: mm('25') }
    const atJaw = withAgainst(holding, 'jaw', 'back')
    expect(atJaw.against).toEqual({ jaw: 'back' })
    const both = withAgainst(atJaw, 'stop', 'left')
    expect(both.against).toEqual({ jaw: 'back', stop: 'left' })
    expect(withAgainst(both, 'jaw', undefined).against).toEqual({ stop: 'left' })
    expect(withAgainst(withAgainst(both, 'jaw', undefined), 'stop', undefined)).toEqual(holding)
  })

  test('another school brings its ways with it, and a master tool of its own', () => {
    const { reference: _, ...others } = habits
    expect(withHabits(draft, { ...others, school: 'part-top' }).offsets[0]?.Z.by).toBe('part-top')
    expect(withHabits(draft, { ...others, school: 'master-tool' }).reference).toEqual({
      masterTool: 1,
    })
  })
})

test('a face that must not be touched, and that may be again', () => {
  const [offset] = emptyDraft().offsets
  const spared = withSpared(withSpared(offset!, 'right'), 'back')
  expect(spared.spared).toEqual(['right', 'back'])
  expect(withSpared(spared, 'right').spared).toEqual(['back'])
  expect(withSpared(withSpared(offset!, 'left'), 'left')).toEqual(offset)
})
