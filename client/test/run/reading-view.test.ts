import { STORED_BY_CYCLE } from '@pine/core/words'
import { type QuantityName } from '@pine/core/quantities'
import { readLength } from '@pine/core/length'
import { standing, type LoadedSetup } from '@/data/setup/standing'
import { capturedFacts, captureView } from '@/areas/run/read/position/capture-view'
import { captureOf } from '@/areas/run/read/expected'
import { bodyOf, type ReadingDraft } from '@/areas/run/read/reading-draft'
import {
  exchanged,
  gaugeQuestion,
  gaugesServing,
  wayQuestion,
  zeroEnds,
} from '@/areas/run/read/circumstances/circumstances-view'
import { keyInView } from '@/areas/run/key-in/key-in-view'
import { viewAsTyped as view } from './as-typed'
import { after, example, mm, registerAt } from './set-ups'

const TIP: QuantityName = { of: 'tip-on-plane', tool: 1 }
const CARRIED: QuantityName = { of: 'carried-difference', row: 'G54' }
const LEFT: QuantityName = { of: 'face', row: 'G54', face: 'left' }
/** X in the middle of a part 120 mm wide. */
const TWO_FACES = {
  by: 'two-faces',
  side: 'outside',
  size: mm('120'),
  tolerance: mm('0.1'),
  drawing: mm('0'),
} as const
/** The sheet alone; then the nose, the tip, both faces and the difference, one after the other. */
const blank = example('whole-run', 1)
const read = example('whole-run', 6)

test('a face is touched twice in one press: not where another touch stands, nor before it is typed', () => {
  const using = { draft: { with: ['finder'] } }
  expect(view(blank, LEFT, { ...using, text: '-412.300' }).mayRepeat).toBe(true)
  expect(view(blank, LEFT, using).mayRepeat).toBe(false)
  expect(view(read, LEFT, { ...using, text: '-412.300' }).mayRepeat).toBe(false)
  expect(view(blank, { of: 'nose-on-plane' }, { text: '-300.000' }).mayRepeat).toBe(false)
})

describe('a row that is captured at the touch', () => {
  const { machine } = blank.document.sheet
  const asking = example('whole-run', 1, {
    machine: { ...machine, control: { ...machine.control, workOffsetKey: 'position' } },
  })
  const copying = example('whole-run', 1, {
    machine: { ...machine, control: { ...machine.control, workOffsetKey: 'copy' } },
  })
  const FINDER: ReadingDraft = { with: ['finder'], withOnPlane: [] }
  const captured = (
    setup: LoadedSetup,
    text?: string,
    quantity: QuantityName = LEFT,
    using: readonly string[] = FINDER.with,
  ) => {
    const capture = captureOf(setup.document, { ...FINDER, with: using }, quantity, undefined)
    const row = text === undefined ? undefined : readLength(mm(text))
    const given = capture && captureView(capture, quantity, row?.ok ? row.value.nm : undefined)
    return { capture, given }
  }

  test('says what to type while the axis stands there, and then where it must stand', () => {
    expect(captured(asking).given).toMatchObject({
      label: 'What G54 X shows then',
      type: '−65.000',
      unit: 'mm',
      does: 'says “my position is”',
      first: undefined,
      axisAt: undefined,
    })
    expect(captured(copying).given).toMatchObject({
      type: '65.000',
      does: 'adds',
      first: 'Copy the machine position into G54 X,',
    })
    // The finder's radius typed with the other sign is seen here, at the machine: 10 mm off.
    expect(captured(asking, '-347.300').given?.axisAt).toBe('X −412.300 mm')
    expect(captured(asking, '-357.300').given?.axisAt).toBe('X −422.300 mm')
    expect(captured(blank).capture).toBeUndefined()
  })

  test('where the control’s own cycle stores it, nothing is said to be typed: at the touch and at its row', () => {
    const storing = example('whole-run', 1, {
      machine: { ...machine, control: { ...machine.control, lengthKey: 'stored' } },
    })
    const tip: QuantityName = { of: 'tip-on-plane', tool: 1 }
    expect(captured(storing, '-270.000', tip, ['setter']).given).toMatchObject({
      type: '',
      first: 'Let the control’s cycle store H1. Nothing is typed.',
    })
    const read = after(storing, {
      kind: 'reading',
      body: { of: 'tip-on-plane', tool: 1, with: ['setter'], read: mm('-220.000') },
    })
    const view = keyInView(read, registerAt(read, 'H1'), {})
    expect(view?.type).toBeUndefined()
    expect(view?.key).toEqual({ first: STORED_BY_CYCLE })
  })

  test('becomes the touch, its key-in and its read-back, and the register is keyed', () => {
    const { capture } = captured(asking)
    const body = bodyOf(FINDER, LEFT, () => mm('-412.300'), undefined, false)
    if (capture === undefined || body === undefined) throw new Error('it is captured')
    const facts = capturedFacts(capture, 'captured', body, mm('-347.300'))
    expect(facts.map(({ kind, via }) => [kind, via])).toEqual([
      ['reading', 'captured'],
      ['key-in', undefined],
      ['read-back', undefined],
    ])
    expect(registerAt(after(asking, ...facts), 'G54.X').state).toBe('keyed')
    // The position was read beside it, and the row showed something else: it is not taken for keyed.
    const apart = capturedFacts(capture, 'typed', body, mm('-357.300'))
    expect(registerAt(after(asking, ...apart), 'G54.X').readBack).toMatchObject({
      equal: false,
      causes: expect.arrayContaining([expect.objectContaining({ code: 'radius-wrong-side' })]),
    })
  })

  test('the counter is zeroed at the first face where the middle is halved', () => {
    const { offsets } = blank.document.sheet
    const [offset] = offsets
    const middle = { ...TWO_FACES, drawing: mm('0') }
    const halving = example('whole-run', 1, {
      machine: { ...machine, control: { ...machine.control, workOffsetKey: 'halve' } },
      offsets: [{ ...offset!, X: middle }],
    })
    expect(view(halving, LEFT).zeroesCounter).toMatch(/^Zero the relative counter here/)
    expect(view(asking, LEFT).zeroesCounter).toBeUndefined()
  })
})

test('a step that was read is looked at; typed at, asked again or stale, it is read', () => {
  expect(view(blank, TIP).reviewing).toBe(false)
  expect(view(read, TIP)).toMatchObject({ reviewing: true, stale: false })
  expect(view(read, TIP, { again: true }).reviewing).toBe(false)
  expect(view(read, TIP, { text: '-220.001' }).reviewing).toBe(false)
  const changed = after(read, { kind: 'event', body: { kind: 'tool-changed', tool: 1 } })
  expect(view(changed, TIP)).toMatchObject({ reviewing: false, stale: true })
})

test('the field says whether its number stands alone, beside another, or in its place', () => {
  expect(view(blank, TIP).label).not.toMatch(/once more|in place/)
  expect(view(read, TIP, { again: true }).label).toMatch(/, once more$/)
  expect(view(read, TIP, { draft: { replaces: 'misread' } }).label).toMatch(
    /, in place of the last$/,
  )
  const changed = after(read, { kind: 'event', body: { kind: 'tool-changed', tool: 1 } })
  expect(view(changed, TIP).label).not.toMatch(/once more/)
})

test('what the number means follows each key; nothing is said of a number that is not there', () => {
  expect(view(blank, TIP).implied).toBeUndefined()
  const nose = example('whole-run', 2)
  // The tip at −220 on a 50 mm setter: the plane at −270, as its H.
  expect(view(nose, TIP, { text: '-220.000' }).implied?.value).toBe(-270_000_000)
  expect(view(nose, TIP, { text: '-219.000' }).implied?.value).toBe(-269_000_000)
})

test('a length that cannot be disagrees, and is looked at twice; a good one is not', () => {
  const nose = example('whole-run', 2)
  expect(view(nose, TIP, { text: '-220.000' })).toMatchObject({ disagrees: false, warnings: [] })
  // The tip lower than the bare nose: no tool is shorter than nothing.
  const wrong = view(nose, TIP, { text: '-310.000' })
  expect(wrong.disagrees).toBe(true)
  expect(wrong.warnings.length).toBeGreaterThan(0)
})

test('repeats tell how far they lie apart, and the last time stands beside today', () => {
  expect(view(read, TIP).spread).toBeUndefined()
  expect(view(read, TIP, { text: '-220.010' }).spread).toBe(10_000)
  const [tool] = blank.document.sheet.tools
  if (tool === undefined) throw new Error('the example has a tool')
  const known = example('whole-run', 1, { tools: [{ ...tool, lastLength: mm('80.02') }] })
  expect(view(known, TIP).lastTime).toBe('80.02 mm')
  expect(view(known, { of: 'nose-on-plane' }).lastTime).toBeUndefined()
  expect(view(blank, TIP).lastTime).toBeUndefined()
})

test('a difference asks where the counter was zeroed, a height on the part what is in the spindle', () => {
  expect(view(blank, TIP)).toMatchObject({ asksZeroedOn: false, asksSpindle: false })
  expect(view(blank, CARRIED).asksZeroedOn).toBe(true)
  expect(zeroEnds(blank.document, CARRIED)).toEqual([
    { value: 'plane', label: 'on the fixed jaw' },
    { value: 'part', label: 'on the stock top' },
  ])
  expect(zeroEnds(blank.document, { of: 'fixture-difference', row: 'G55', from: 'G54' })).toEqual([
    { value: 'from', label: 'on the part of G54' },
    { value: 'row', label: 'on the part of G55' },
  ])
})

test('what lies between is told in a few words, both ends where there are two', () => {
  expect(view(blank, TIP).aside).toBe('50 mm setter')
  expect(view(blank, TIP, { draft: { with: [] } }).aside).toBe('nothing between')
  expect(view(blank, TIP, { draft: { with: [], ways: { own: '+' } } }).aside).toBe(
    'nothing between, rising',
  )
  expect(view(blank, TIP, { draft: { with: [], ways: { own: '-' } } }).aside).toMatch(/lowering$/)
  expect(view(blank, CARRIED, { draft: { with: [], withOnPlane: ['setter'] } }).aside).toBe(
    '50 mm setter / nothing',
  )
  expect(view(blank, LEFT, { draft: { with: [] } }).aside).toBe('name the finder')
  expect(view(blank, LEFT, { draft: { with: ['finder'] } }).aside).toBe('10 mm edge finder')
  // No gauge of this sheet measures a cutter: there is nothing to say of it.
  expect(view(blank, { of: 'tool-diameter', tool: 1 }, { draft: { with: [] } }).aside).toBe('')
})

test('only gauges that can serve are offered, with the size that counts', () => {
  expect(gaugesServing(blank.document, TIP)).toEqual([
    { value: 'setter', label: '50 mm setter · 50.000 mm' },
  ])
  expect(gaugesServing(blank.document, LEFT)).toEqual([
    { value: 'finder', label: '10 mm edge finder · 10.000 mm' },
  ])
})

test('another gauge takes the place of the one that stands where it does; a plate goes with the pin in the spindle', () => {
  const base = blank.document.sheet.gauges
  const kinds = { shim: 'shim', pin: 'pin', plate: 'plate' } as const
  const more = Object.entries(kinds).map(([id, kind]) => ({
    id,
    kind,
    name: id,
    size: mm('6'),
    ...(kind === 'plate' && { wall: mm('3') }),
  }))
  const { document } = example('whole-run', 1, { gauges: [...base, ...more] })
  expect(exchanged(document, ['setter'], ['setter', 'shim'], false)).toEqual(['shim'])
  expect(exchanged(document, ['setter'], ['setter', 'shim'], true)).toEqual(['setter', 'shim'])
  expect(exchanged(document, ['finder'], ['finder', 'pin'], false)).toEqual(['pin'])
  expect(exchanged(document, ['pin'], ['pin', 'plate'], false)).toEqual(['pin', 'plate'])
  // Taken away is taken away.
  expect(exchanged(document, ['setter', 'shim'], ['shim'], false)).toEqual(['shim'])
})

test('each end of a touch is asked by its name', () => {
  const FROM: QuantityName = { of: 'fixture-difference', row: 'G55', from: 'G54' }
  expect(gaugeQuestion(CARRIED)).toBe('What lay between at the part?')
  expect(gaugeQuestion(FROM)).toContain('G55')
  expect(gaugeQuestion(TIP)).toBe('What lies between?')
  expect(gaugeQuestion(LEFT)).toBe('What touches the face?')
  const { document } = blank
  expect(wayQuestion(document, CARRIED, 'own', 'Z')).toBe('How did Z come to the part?')
  expect(wayQuestion(document, CARRIED, 'other', 'Z')).toBe('How did Z come to the fixed jaw?')
  expect(wayQuestion(document, FROM, 'own', 'Z')).toContain('G55')
  expect(wayQuestion(document, FROM, 'other', 'Z')).toContain('G54')
  expect(wayQuestion(document, LEFT, 'own', 'X')).toBe('How did X come to its place?')
})

test('what should be read stands there before it is, and what cannot be is told with its slip', () => {
  // Nose at −300 on the setter, T1 unread; a rule held to it says 80.
  const { tools } = blank.document.sheet
  const nose = after(blank, {
    kind: 'reading',
    body: { of: 'nose-on-plane', read: mm('-300'), with: ['setter'] },
  })
  const ruled = after(nose, {
    kind: 'sheet',
    body: {
      ...blank.document.sheet,
      tools: tools.map((tool) => (tool.number === 1 ? { ...tool, rough: mm('80') } : tool)),
    } as never,
  })
  expect(view(blank, TIP)).toMatchObject({ expected: undefined, asksForRule: false })
  expect(view(nose, TIP)).toMatchObject({
    expected: undefined,
    asksForRule: true,
  })
  expect(view(ruled, TIP)).toMatchObject({
    expected: '−220.0 ± 2.0 mm (rule held to T1)',
    asksForRule: false,
    surprise: undefined,
    disagrees: false,
  })
  expect(view(ruled, TIP, { text: '-219.4' })).toMatchObject({ surprise: undefined })
  expect(view(ruled, TIP, { text: '219.4' })).toMatchObject({
    surprise: { slip: { code: 'reading-sign-lost' } },
    disagrees: true,
  })
  // Where it is held against last time, or the machine does not go there, one sentence tells it.
  const travels = { Z: { min: mm('-600'), max: mm('0') } }
  const { machine } = ruled.document.sheet
  const sheetOf = (changes: object) =>
    after(ruled, { kind: 'sheet', body: { ...ruled.document.sheet, ...changes } as never })
  const codes = (setup: LoadedSetup, text: string) => {
    const { warnings, surprise } = view(setup, TIP, { text })
    return [...warnings.map(({ code }) => code), surprise?.slip?.code]
  }
  const bounded = sheetOf({ machine: { ...machine, travels } })
  expect(codes(bounded, '219.4')).toEqual(['reading-sign-lost'])
  expect(codes(bounded, '100')).toEqual(['outside-travel', undefined])
  const before = sheetOf({
    tools: tools.map((tool) => (tool.number === 1 ? { ...tool, lastLength: mm('80') } : tool)),
  })
  expect(codes(before, '-229.4')).toEqual(['differs-from-last-time', undefined])
  // A number that is still being typed is held against nothing, but disagrees if it is entered so.
  expect(view(ruled, TIP, { text: '-21' })).toMatchObject({ halfTyped: true, disagrees: true })
  expect(view(ruled, TIP, { text: '-219' })).toMatchObject({ halfTyped: false, disagrees: false })
  // What a person is told of a difference depends on where the counter was zeroed: nothing before that is said.
  expect(view(ruled, { of: 'carried-difference', row: 'G54' }).expected).toBeUndefined()
})

test('another version of the sheet begins with what was written, not with what is asked of the machine now', () => {
  const asked = standing(blank.document, '2026-11-26T12:00:00Z', { maxAgeDays: 3 })
  expect(asked.document.sheet.machine.policy?.maxAgeDays).toBe(3)
  expect(asked.sheetAsWritten).toEqual(blank.document.sheet)
  expect(asked.sheetAsWritten.machine.policy?.maxAgeDays).not.toBe(3)
})

describe('a slip that is named wins over what else disagrees', () => {
  const [tool] = blank.document.sheet.tools
  // The nose at −300 on the setter, and 80 mm last time: the tip should stand at −220.
  const known = example('whole-run', 2, { tools: [{ ...tool!, lastLength: mm('80.000') }] })

  test('over the length of last time: two digits changed places', () => {
    const swapped = view(known, TIP, { text: '-202.000' })
    expect(swapped.surprise?.slip).toMatchObject({ code: 'digits-swapped', meant: -220_000_000 })
    // One sentence about one number.
    expect(swapped.warnings).toEqual([])
    expect(swapped.disagrees).toBe(true)
  })

  test('where no slip fits, the comparison tells more than that it was not expected', () => {
    const other = view(known, TIP, { text: '-213.460' })
    expect(other.surprise).toBeUndefined()
    expect(other.warnings.map(({ code }) => code)).toEqual(['differs-from-last-time'])
  })

  test('over a size that disagrees, at the second face', () => {
    const RIGHT: QuantityName = { of: 'face', row: 'G54', face: 'right' }
    const [plan] = blank.document.sheet.offsets
    const second = example('whole-run', 4, { offsets: [{ ...plan!, X: TWO_FACES }] })
    const draft = { with: ['finder'] }
    // From −412.3 over 120 mm and the finder twice: −282.3.
    expect(view(second, RIGHT, { text: '-282.300', draft }).disagrees).toBe(false)
    const wrong = view(second, RIGHT, { text: '-228.300', draft })
    expect(wrong.implied?.size?.agrees).toBe(false)
    expect(wrong.surprise?.slip).toMatchObject({ code: 'digits-swapped', meant: -282_300_000 })
  })
})

test('two touches further apart than they repeat are no mean: one of them is said to count', () => {
  const once = example('whole-run', 3)
  const apart = view(once, TIP, { text: '-220.450', again: true })
  expect(apart.apart).toContain('no mean is taken')
  expect(apart.disagrees).toBe(true)
  expect(view(once, TIP, { text: '-220.003', again: true }).apart).toBeUndefined()
  // Said to count, it stands alone.
  const id = once.document.readings.at(-1)?.id
  const counts = bodyOf(
    { with: ['setter'], withOnPlane: [], replaces: 'touched again' },
    TIP,
    () => mm('-220.450'),
    id,
    false,
  )
  expect(counts).toMatchObject({ supersedes: id, reason: 'touched again' })
  const entered = after(once, { kind: 'reading', body: counts! })
  expect(registerAt(entered, 'H1').value).toBe(-270_450_000)
})

test('where the surprise has a name, what the size could be explained by stands back', () => {
  const right: QuantityName = { of: 'face', row: 'G54', face: 'right' }
  const [offset] = read.document.sheet.offsets
  const sized = example('whole-run', 4, { offsets: [{ ...offset!, X: TWO_FACES }] })
  const typed = (text: string) => view(sized, right, { draft: { with: ['finder'] }, text })
  const left = Number(sized.document.readings.find(({ of }) => of === 'face')!.read.text)
  // The finder's 10 mm lie between the two touches and the faces; the size is 120 mm.
  const asIs = (left + 130).toFixed(3)
  expect(typed(asIs)).toMatchObject({ disagrees: false, implied: { size: { agrees: true } } })
  const turned = typed(asIs.slice(1))
  expect(turned.surprise?.slip?.code).toBe('reading-sign-lost')
  expect(turned).toMatchObject({
    disagrees: true,
    implied: { size: { agrees: false, causes: [] } },
  })
  // A digit explains it, and so does the finder's tip: of that the surprise knows nothing, so the size says it beside.
  const tip = typed((left + 140).toFixed(3))
  expect(tip.surprise?.slip).toBeDefined()
  expect(tip.implied?.size?.causes.map(({ code }) => code)).toEqual(['radius-forgotten'])
  // Nothing usual makes it: what explains the size is all there is.
  const odd = typed((left + 130 + 0.3).toFixed(3))
  expect(odd.surprise?.slip).toBeUndefined()
  expect(odd).toMatchObject({ disagrees: true, implied: { size: { agrees: false } } })
})

test('two touches that entered apart are asked for again at the step, until two agree', () => {
  // As another device or a program may enter them: nobody was asked between.
  const touch = (text: string) =>
    bodyOf({ with: ['finder'], withOnPlane: [] }, LEFT, () => mm(text), undefined, false)!
  const apart = after(
    blank,
    ...['-412.300', '-412.800'].map((text) => ({ kind: 'reading' as const, body: touch(text) })),
  )
  const seen = (text?: string) =>
    view(apart, LEFT, { draft: { with: ['finder'] }, ...(text !== undefined && { text }) })
  expect(seen()).toMatchObject({ reviewing: false, label: 'Machine X, once more' })
  expect(seen().disputed).toMatch(/^−412.300 mm and −412.800 mm lie further apart/)
  // Found again, the last one stands; so does the first, were it that.
  for (const text of ['-412.798', '-412.302'])
    expect(seen(text)).toMatchObject({ disputed: undefined, apart: undefined, disagrees: false })
  expect(seen('-413.000').apart).toContain('no mean is taken')
  const counts = { draft: { with: ['finder'], replaces: 'touched again', surprise: 'so it is' } }
  expect(registerAt(apart, 'G54.X')?.value).toBeUndefined()
  expect(view(apart, LEFT, { ...counts, text: '-413.000' })).toMatchObject({ apart: undefined })
})
