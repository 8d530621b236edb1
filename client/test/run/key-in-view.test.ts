import { keyInView, type Beneath, type Pressed } from '@/areas/run/key-in/key-in-view'
import type { LoadedSetup } from '@/data/setup/standing'
import { after, BEN, by, example, mm, registerAt } from './set-ups'

const read = example('whole-run', 6)
const machine = read.document.sheet.machine
const control = (changes: object) => ({
  machine: { ...machine, control: { ...machine.control, ...changes } },
})

function viewOf(setup: LoadedSetup, address: string, pressed: Pressed = {}) {
  const view = keyInView(setup, registerAt(setup, address), pressed)
  if (view === undefined) throw new Error(`${address} has no number`)
  return view
}

function beneath<Of extends Beneath['of']>(
  setup: LoadedSetup,
  address: string,
  of: Of,
  pressed: Pressed = {},
) {
  const found = viewOf(setup, address, pressed).beneath
  if (found.of !== of) throw new Error(`${found.of} stands beneath, not ${of}`)
  return found as Extract<Beneath, { of: Of }>
}

const shown = (address: 'H1' | 'G54.Z', text: string) => [
  { kind: 'key-in' as const, body: { address, mode: 'set' as const, typed: mm('-270.000') } },
  {
    kind: 'read-back' as const,
    body: { address, moment: 'after' as const, shown: mm(text) },
  },
]

test('a control that sets: the number itself, with its sign, and what the key does', () => {
  const view = viewOf(read, 'H1')
  expect(view).toMatchObject({ name: 'H1', type: '−270.000', unit: 'mm', notes: [] })
  expect(view.key).toHaveProperty('does')
  expect(view.change).toBeUndefined()
})

test('a control that adds asks for what stands there, and types the difference', () => {
  const adding = example('whole-run', 6, control({ lengthKey: 'add' }))
  const before = viewOf(adding, 'H1')
  expect(before.type).toBeUndefined()
  expect(before.key).toHaveProperty('first')
  const asks = beneath(adding, 'H1', 'ask')
  expect(asks.moment).toBe('before')
  expect(asks.isRight(mm('-270.000'))).toBe(false)
  expect(asks.facts(mm('-268.000'))).toEqual([
    { kind: 'read-back', body: { address: 'H1', moment: 'before', shown: mm('-268.000') } },
  ])
  // −268 stands there and −270 should: two less.
  const known = after(adding, ...asks.facts(mm('-268.000')))
  expect(viewOf(known, 'H1')).toMatchObject({ type: '−2.000', change: '−268.000 → −270.000 mm' })
  const then = beneath(known, 'H1', 'ask')
  expect(then.moment).toBe('after')
  // It holds for the row as it was seen. Somebody else was there: the row is read once more first.
  expect(viewOf(known, 'H1').row).toBe('−268.000 mm')
  const otherwise = beneath(known, 'H1', 'ask', then.unless?.pressed)
  expect(otherwise.moment).toBe('before')
  const seen = after(known, ...otherwise.facts(mm('-3.5')))
  expect(viewOf(seen, 'H1')).toMatchObject({ type: '−266.500', row: '−3.500 mm' })
})

test('keyed again after a disagreement, a changed sheet or a number that no longer holds: from the row as it is', () => {
  // An inch control that adds: the row shows 1.7550 and is to show 1.7520; after the sheet changed, 1.7270.
  const adding = example('whole-run', 6, control({ workOffsetKey: 'add' }))
  const asks = beneath(adding, 'G54.X', 'ask')
  const read0 = after(adding, ...asks.facts(mm('0.000')))
  expect(viewOf(read0, 'G54.X').type).toBe('−347.300')
  const off = after(read0, ...beneath(read0, 'G54.X', 'ask').facts(mm('-347.297')))
  expect(viewOf(off, 'G54.X', { again: 'key' })).toMatchObject({
    type: '−0.003',
    row: '−347.297 mm',
  })
  const right = after(read0, ...beneath(read0, 'G54.X', 'ask').facts(mm('-347.300')))
  const [plan] = right.document.sheet.offsets
  const offsets = [{ ...plan!, X: { ...plan!.X, drawing: mm('-59.975') } }]
  const changed = after(right, {
    kind: 'sheet',
    body: { ...right.document.sheet, offsets },
  } as never)
  expect(viewOf(changed, 'G54.X', { again: 'key' })).toMatchObject({
    type: '−0.025',
    change: '−347.300 → −347.325 mm',
  })
})

test('a control that copies, once the axis has moved: the number itself, and why', () => {
  const copying = example('whole-run', 4, control({ workOffsetKey: 'copy' }))
  const asks = beneath(copying, 'G54.X', 'ask')
  expect(viewOf(copying, 'G54.X')).toMatchObject({ type: '65.000' })
  expect(asks.unless?.text).toBe('The axis has moved since the touch')
  expect(viewOf(copying, 'G54.X', asks.unless?.pressed)).toMatchObject({
    type: '−347.300',
    key: { does: 'sets' },
    notes: [
      { words: 'The axis has moved since the touch: store the number itself.', holds: 'words' },
    ],
  })
})

test('a control that copies: what the row shows by then, in the order of work', () => {
  const copying = example('whole-run', 3, control({ lengthKey: 'copy' }))
  const { notes, type } = viewOf(copying, 'H1')
  // The tip was touched at −220 on a 50 mm setter: copied −220, then 50 less.
  expect(type).toBe('−50.000')
  expect(notes).toEqual([{ words: 'copied in, the row shows −220.000 mm; then', holds: 'digits' }])
})

test('what was keyed is entered with what the control shows; only the right number leads on', () => {
  const asks = beneath(read, 'G54.Z', 'ask')
  expect(asks.facts(mm('-30.000'))).toEqual([
    { kind: 'key-in', body: { address: 'G54.Z', mode: 'set', typed: mm('-30.000') } },
    { kind: 'read-back', body: { address: 'G54.Z', moment: 'after', shown: mm('-30.000') } },
  ])
  expect(asks.isRight(mm('-30.000'))).toBe(true)
  expect(asks.isRight(mm('30.000'))).toBe(false)
  expect(asks.isRight(mm('-30.001'))).toBe(false)
  expect(asks.isRight(mm('thirty'))).toBe(false)
})

test('of what goes down into metal the sign and the last digits are typed, elsewhere it is enough to have looked', () => {
  const short = (setup: LoadedSetup, address: string, pressed: Pressed = {}) =>
    beneath(setup, address, 'ask', pressed).short
  expect(short(read, 'G54.Z')).toEqual({
    way: 'sign-and-digits',
    expected: mm('-30.000'),
    text: '−30.000 mm',
    sign: '-',
    // Another row is to hold −330.000: nothing less than all of it tells them apart.
    first: '',
    lastDigits: 5,
  })
  // Two where a proof of this very number follows, three where nobody will see it.
  const offsets = read.document.sheet.offsets.map((one) => ({
    ...one,
    Z: { ...one.Z, facing: mm('0.517') },
  }))
  expect(short(example('whole-run', 6, { offsets }), 'G54.Z')).toMatchObject({ lastDigits: 2 })
  const quick = example('whole-run', 6, { offsets, quick: 'row' })
  expect(short(quick, 'G54.Z')).toMatchObject({ lastDigits: 3 })
  expect(short(read, 'H1')?.way).toBe('sign-and-digits')
  expect(short(read, 'G54.X')?.way).toBe('seen')
  // A row that was keyed before shows a number that looks right, and after a disagreement nothing is taken on trust.
  const again = after(read, ...beneath(read, 'G54.X', 'ask').facts(mm('1.000'), 'seen'), {
    kind: 'event',
    body: { kind: 'unit-changed' },
  })
  expect(short(again, 'G54.X')?.way).toBe('sign-and-digits')
  expect(short(read, 'G54.X', { again: 'key' })).toBeUndefined()
  expect(beneath(read, 'G54.X', 'ask').facts(mm('1.000'), 'seen')[1]).toEqual({
    kind: 'read-back',
    body: { address: 'G54.X', moment: 'after', shown: mm('1.000'), way: 'seen' },
  })
  // What stands in the row first is typed whole: nobody knows what it should be.
  const adding = example('whole-run', 6, control({ lengthKey: 'add' }))
  expect(beneath(adding, 'H1', 'ask').short).toBeUndefined()
})

test('a mismatch stands there until it is keyed again; an equal number is shown as the control did', () => {
  const turned = after(read, ...shown('G54.Z', '30.000'))
  expect(viewOf(turned, 'G54.Z').beneath.of).toBe('mismatch')
  expect(viewOf(turned, 'G54.Z', { again: 'key' })).toMatchObject({
    type: '−30.000',
    beneath: { of: 'ask' },
  })
  // Whoever misread the row only looks at it again: nothing was keyed, and nothing is told to be.
  const looked = beneath(turned, 'G54.Z', 'ask', { again: 'look' })
  expect(viewOf(turned, 'G54.Z', { again: 'look' }).type).toBeUndefined()
  expect(looked.facts(mm('-30.000'))).toEqual([
    { kind: 'read-back', body: { address: 'G54.Z', moment: 'after', shown: mm('-30.000') } },
  ])
  const well = after(turned, ...looked.facts(mm('-30.000')))
  expect(viewOf(well, 'G54.Z').beneath.of).toBe('equal')
  const right = after(read, ...shown('H1', '-270.000'))
  expect(beneath(right, 'H1', 'equal')).toMatchObject({
    text: 'Read back equal.',
    shown: '−270.000 mm',
  })
  expect(beneath(right, 'H1', 'equal').accepted).toBeUndefined()
  expect(beneath(example('whole-run'), 'H1', 'equal').text).toBe('Read back equal, and proven.')
})

test('a number that no longer holds leads to its reading, or is accepted by name', () => {
  const stale = after(after(read, ...shown('H1', '-270.000')), {
    kind: 'event',
    body: { kind: 'tool-changed', tool: 1 },
  })
  const { why, again, accept } = beneath(stale, 'H1', 'stale')
  expect(why).toBe('T1 was broken, replaced or re-gripped.')
  // It is told as it was, and not as something to type.
  expect(viewOf(stale, 'H1')).toMatchObject({ was: '−270.000 mm', notes: [] })
  expect(viewOf(stale, 'H1').type).toBeUndefined()
  expect(viewOf(stale, 'H1').key).toBeUndefined()
  expect(again).toEqual({ key: 'tip-on-plane:T1', name: expect.stringContaining('T1') })
  expect(accept('same holder, same stop')).toEqual({
    kind: 'acceptance',
    // Only for what happened: another change of the tool asks anew.
    body: {
      address: 'H1',
      accepts: stale.document.events.at(-1)?.id,
      reason: 'same holder, same stop',
    },
  })
  const accepted = after(stale, accept('same holder, same stop'))
  expect(beneath(accepted, 'H1', 'equal').accepted).toBe(
    'accepted by Mira Toller: same holder, same stop',
  )
})

test('what a failed gauge ended may be corrected instead of read again', () => {
  const failed = after(read, { kind: 'event', body: { kind: 'check-failed', gauge: 'setter' } })
  expect(beneath(failed, 'H1', 'stale').why).toMatch(
    /^The 50 mm setter failed its check\. Measured anew, it corrects/,
  )
})

test('without its readings there is nothing to key', () => {
  const blank = example('whole-run', 1)
  expect(keyInView(blank, registerAt(blank, 'H1'))).toBeUndefined()
})

test('a register that two keyed without knowing of each other is keyed once more, and both are named', () => {
  const [, first] = shown('H1', '-271.000')
  const [, second] = shown('H1', '-270.000')
  const places = read.document.length
  const crossed = by(BEN, after(read, { ...first!, seen: places } as never), {
    ...second!,
    seen: places,
  } as never)
  const view = viewOf(crossed, 'H1')
  expect(view.notes[0]).toEqual({
    words: expect.stringMatching(/Mira Toller keyed it and saw −271.000 mm, Ben Okafor/),
    holds: 'conflict',
  })
  expect(view.type).toBe('−270.000')
  expect(beneath(crossed, 'H1', 'ask').moment).toBe('after')
})
