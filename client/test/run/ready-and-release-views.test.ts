import {
  checkView,
  gaugeElsewiseView,
  heldBecause,
  holdingView,
  holdsAgainstAdvice,
} from '@/areas/run/ready/check-view'
import {
  firstPartView,
  measuredOf,
  wearSentence,
  type TypedFeature,
} from '@/areas/run/release/first-part-view'
import { releaseView } from '@/areas/run/release/release-view'
import { changeView, consequencesView } from '@/areas/run/frame/banners/change-view'
import { keyInView } from '@/areas/run/key-in/key-in-view'
import { after, BEN, by, example, MIRA, mm, registerAt } from './set-ups'

const whole = example('whole-run')
const read = example('whole-run', 6)
const keyedByMira = after(
  read,
  { kind: 'key-in', body: { address: 'H1', mode: 'set', typed: mm('-270.000') } },
  { kind: 'read-back', body: { address: 'H1', moment: 'after', shown: mm('-270.000') } },
)

describe('a check that is seen to', () => {
  test('is entered once, and then only shown', () => {
    const view = checkView(read, 'clean', MIRA)
    expect(view).toMatchObject({ facts: [{ kind: 'check-off', body: { of: 'clean' } }] })
    expect(view.seen).toBeUndefined()
    const seen = checkView(by(BEN, read, ...view.facts), 'clean', MIRA)
    expect(seen).toMatchObject({ facts: [], text: 'Next', seen: 'seen to by Ben Okafor' })
  })

  test('the second look is barred to who read or keyed, and to nobody else', () => {
    expect(checkView(keyedByMira, 'look', MIRA).barred).toContain('Mira Toller read or keyed')
    expect(checkView(keyedByMira, 'look', BEN).barred).toBeUndefined()
    // She has read the numbers of the example, and keyed none.
    expect(checkView(read, 'look', MIRA).barred).toContain('read or keyed')
    expect(checkView(read, 'look', BEN).barred).toBeUndefined()
    expect(checkView(keyedByMira, 'clean', MIRA).barred).toBeUndefined()
  })

  test('how the part is held: jaws of 50 on parallels of 38 grip 12, 28 of 40 stand out', () => {
    expect(holdingView(whole)?.lines).toEqual([
      { name: 'Jaws', text: '50 mm' },
      { name: 'Parallels', text: '38 mm' },
      { name: 'The jaws grip', text: '12.000 mm' },
      { name: 'The part stands out', text: '28.000 mm' },
      { name: 'Deepest side cut clears by', text: '8.000 mm' },
    ])
    expect(holdingView(whole)?.wrong).toEqual([])
    expect(holdingView(example('setting-plane'))).toBeUndefined()
    // A cut as deep as the part stands out clears by nothing, which is said and not left out.
    const sheet = { holding: { jaw: mm('50'), parallels: mm('38'), sideCut: mm('28') } }
    expect(holdingView(example('whole-run', 6, sheet))?.lines.slice(-2)).toEqual([
      { name: 'Deepest side cut clears by', text: '0.000 mm' },
      { name: 'Parallels that fit', text: '38.500 to 48.000 mm' },
    ])
  })
})

test('a gauge that the shop measured: what is told, and since when it counts', () => {
  const told = { gauge: 'setter', name: '50 mm setter', here: mm('50.00'), shop: mm('50.012') }
  expect(gaugeElsewiseView({ ...told, isRoughHere: false })).toMatchObject({
    words: 'The 50 mm setter is 50.012 mm in the shop now; this set-up counts with 50.00 mm.',
    takes: 'Count with 50.012 mm from now on',
    draft: { body: { size: mm('50.012'), since: 'now' } },
  })
  // Nobody knew its size before: it was as large at the touches that were made with it.
  expect(gaugeElsewiseView({ ...told, isRoughHere: true })).toMatchObject({
    words: 'The 50 mm setter has been measured: 50.012 mm. This set-up does not know its size.',
    takes: 'Count with 50.012 mm',
    draft: { body: { size: mm('50.012'), since: 'last-good' } },
  })
})

describe('the first part', () => {
  const here = {
    feature: 'outside-width',
    tool: 1,
    nominal: mm('50'),
    measured: mm('50.04'),
  } as const

  const withD = example('whole-run', 6, {
    tools: [{ number: 1, name: 'end mill', lengthRegister: 1, diameterRegister: 1 }],
  })

  test('a width 0.04 too large asks for 0.04 less of the diameter', () => {
    expect(wearSentence(withD, here)).toBe('Correct D1 by −0.040 mm.')
    expect(wearSentence(withD, { ...here, measured: mm('49.96') })).toContain('by +0.040 mm')
    expect(wearSentence(withD, { ...here, measured: mm('') })).toBe('What to correct stands here.')
    expect(firstPartView(withD, [here])).toMatchObject({
      lines: [{ measured: '50.04 for 50 mm, T1', text: 'D1 −0.040 mm' }],
      toKey: { facts: [{ kind: 'event', body: { kind: 'corrected', address: 'D1' } }] },
    })
  })

  test('a size that no register is off by is doubted, and what was meant is named', () => {
    const wrong = { ...here, name: 'left wall', measured: mm('60.04') }
    const { doubt, lines } = firstPartView(withD, [here, wrong])
    expect(doubt).toEqual({
      words:
        '60.04 mm is 10.040 mm off. Was 50.04 mm meant? Measure it again before you correct by it.',
      others: [here],
    })
    expect(lines[1]?.measured).toBe('left wall: 60.04 for 50 mm, T1')
    expect(wearSentence(withD, wrong)).toBe(doubt?.words)
    expect(firstPartView(withD, [here]).doubt).toBeUndefined()
  })

  test('held against its drawing it is told fit, near the limit, or not; what is fit asks for no key', () => {
    const instrument = { name: 'micrometer', repeatability: mm('0.003'), uncertainty: mm('0.002') }
    const typed = (measured: string, changes: Partial<TypedFeature> = {}) =>
      measuredOf({
        ...{ feature: 'outside-width', tool: 1, sides: 1, nominal: mm('50'), more: [], instrument },
        ...{ name: '', measured: mm(measured), upper: mm('0.02'), lower: undefined, ...changes },
      })
    const line = (measured: string, changes?: Partial<TypedFeature>) =>
      firstPartView(withD, [typed(measured, changes)]).lines[0]
    expect(line('50.010')).toMatchObject({
      ...{ judged: 'Fit · +0.010 ± 0.007 in ±0.020 mm', tone: 'read' },
    })
    expect(line('50.016')?.judged).toContain('Not decided: too near the limit.')
    expect(line('50.030')).toMatchObject({ tone: 'wrong' })
    expect(line('50.020', { upper: mm('0.03'), lower: mm('0.01') })?.judged).toBe(
      'Fit · +0.020 ± 0.007 in +0.010 to +0.030 mm',
    )
    expect(line('50.010', { instrument: undefined })?.judged).toBe(
      'Within its limits, not judged: no gauge is named · +0.010 in ±0.020 mm',
    )
    // Without an upper limit a lower one is none, and nothing is judged.
    expect(line('50.010', { upper: undefined, lower: mm('-0.1') })?.judged).toBeUndefined()
    expect(firstPartView(withD, [typed('50.010')]).isFit).toBe(true)
    expect(firstPartView(withD, [typed('50.010'), typed('50.030')]).isFit).toBe(false)
    expect(firstPartView(withD, []).isFit).toBe(false)
    // Readings of a block beyond the first are kept of a block alone.
    expect(typed('50.010', { more: [mm('1')] })).not.toHaveProperty('more')
    expect(typed('50.010', { feature: 'thickness', more: [mm('1')] })).toMatchObject({ sides: 1 })
  })

  test('features of one register are keyed together, and what is left of each is told', () => {
    const slot = {
      ...here,
      feature: 'inside-width',
      nominal: mm('12'),
      measured: mm('11.98'),
    } as const
    const { toKey } = firstPartView(withD, [here, slot])
    // 0.040 too wide and 0.020 too narrow: −0.030 for both, and not −0.060.
    expect(toKey?.text).toBe('Key D1')
    expect(toKey?.shared).toEqual([
      'width outside 50 mm, T1: −0.010 mm is left',
      'slot or bore 12 mm, T1: 0.010 mm is left',
    ])
    expect(toKey?.facts).toMatchObject([
      { body: { amount: mm('-0.030000'), because: here, also: [slot] } },
    ])
    const keyed = after(withD, ...(toKey?.facts ?? []))
    expect(firstPartView(keyed, []).lines).toHaveLength(2)
  })

  test('a tool without a diameter register is corrected in the program; a floor by its length', () => {
    expect(wearSentence(read, here)).toContain('T1 has no diameter register')
    expect(firstPartView(read, [here]).lines[0]?.text).toBe('by program')
    expect(wearSentence(read, { ...here, feature: 'floor-depth', measured: mm('') })).toContain(
      'stands here',
    )
    expect(wearSentence(read, { ...here, feature: 'floor-depth' })).toContain('H1')
    expect(firstPartView(read, []).good).toContain('Nothing to correct')
  })

  test('once finished, what was measured then is shown', () => {
    const done = after(read, {
      kind: 'check-off',
      body: { of: 'first-part', measured: [here], leftOut: 'cut tomorrow' },
    })
    expect(firstPartView(done, [])).toMatchObject({
      finished: { leftOut: 'left out: cut tomorrow', lines: [{ measured: '50.04 for 50 mm, T1' }] },
    })
  })
})

describe('a correction is a key-in', () => {
  const floor = (measured: string) =>
    ({ feature: 'floor-depth', tool: 1, nominal: mm('5'), measured: mm(measured) }) as const
  const deep = firstPartView(keyedByMira, [floor('5.020')])
  const corrected = after(keyedByMira, ...(deep.toKey?.facts ?? []))
  const line = (setup: typeof read) => keyInView(setup, registerAt(setup, 'H1'))
  const key = (setup: typeof read, text: string) => {
    const view = line(setup)
    if (view?.beneath.of !== 'ask') throw new Error(view?.beneath.of)
    return after(setup, ...view.beneath.facts(mm(text)))
  }

  test('a floor 0.02 too deep: the row from what it shows, keyed, read back, and proven anew', () => {
    expect(deep.toKey?.text).toBe('Key H1 −270.000 → −269.980 mm')
    expect(registerAt(corrected, 'H1')).toMatchObject({ state: 'read', value: -269_980_000 })
    expect(line(corrected)).toMatchObject({ type: '−269.980', change: '−270.000 → −269.980 mm' })
    const keyed = key(corrected, '-269.980')
    expect(registerAt(keyed, 'H1').state).toBe('keyed')
    expect(keyed.steps.find(({ step }) => step.key === 'prove:G54:T1')?.done).toBe(false)
    // The cause is kept, and where the number comes from is told.
    expect(firstPartView(keyed, []).lines).toEqual([
      { measured: '5.020 for 5 mm, T1', text: 'H1 +0.020 mm, corrected' },
    ])
    expect(registerAt(keyed, 'H1').chain?.terms.map(({ role }) => role)).toContain('correction')
    // Measured again: a further one is on top of it.
    const again = firstPartView(keyed, [floor('5.005')])
    expect(again.toKey?.text).toBe('Key H1 −269.980 → −269.975 mm')
  })

  test('it goes with its tool: touched again or changed, nothing of it is left', () => {
    const touched = after(corrected, {
      kind: 'reading',
      body: { of: 'tip-on-plane', tool: 1, read: mm('-219.990'), with: ['setter'] },
    })
    // The mean of both touches, without what the first was corrected by.
    expect(registerAt(touched, 'H1').value).toBe(-269_995_000)
    const changed = after(corrected, { kind: 'event', body: { kind: 'tool-changed', tool: 1 } })
    expect(registerAt(changed, 'H1').value).toBe(-270_000_000)
  })

  test('what the part does not ask for is not keyed', () => {
    expect(firstPartView(keyedByMira, [floor('5.000')]).toKey).toBeUndefined()
  })
})

test('a calibration block: its readings, what is added to H, and what came out of the last correction', () => {
  const block = (measured: string, more: readonly string[] = []) =>
    ({
      feature: 'thickness',
      tool: 1,
      nominal: mm('20.000'),
      measured: mm(measured),
      more: more.map(mm),
      sides: 2,
    }) as const
  const cuts = [block('20.040'), block('20.030', ['20.032'])]
  expect(firstPartView(whole, cuts).lines).toEqual([
    { measured: '20.040 for 20.000 mm, T1', text: 'H1 −0.020 mm' },
    {
      measured:
        '20.030, 20.032 for 20.000 mm, T1; predicted 20.000, reached 20.031 mm; 23% of the last correction came out: look at deflection, clamping, soft stock, not at the length',
      text: 'H1 −0.016 mm',
    },
  ])
})

test('a grip that is none names the parallels that fit, and is seen to with a reason alone', () => {
  const holding = { jaw: mm('50'), parallels: mm('50'), sideCut: mm('12') }
  const setup = example('whole-run', 6, { holding })
  const view = holdingView(setup)
  expect(view?.lines.at(-1)).toEqual({ name: 'Parallels that fit', text: '22.500 to 48.000 mm' })
  expect(holdsAgainstAdvice(setup)).toBe(true)
  const held = after(setup, heldBecause('stops on both sides'))
  expect(holdsAgainstAdvice(held)).toBe(false)
  expect(checkView(held, 'holding', MIRA).seen).toBe(
    'seen to by Mira Toller, because: stops on both sides',
  )
  expect(releaseView(held).accepted).toContain('holding: stops on both sides (Mira Toller)')
  expect(holdsAgainstAdvice(example('whole-run', 6))).toBe(false)
})

test('what disagrees leads to the step where it is put right', () => {
  const off = after(whole, {
    kind: 'reading',
    body: { of: 'tip-on-plane', tool: 1, with: ['setter'], read: mm('-221.000') },
  })
  const told = releaseView(off).disagreements
  expect(told.map(({ step }) => step)).toContain('tip-on-plane:T1')
})

test('after a broken tool: cancel, lift, measure, and where the program goes on', () => {
  const of = (kind: 'tool-changed' | 'home-lost') =>
    changeView(whole, { kind, which: '1', value: '' }).restart
  expect(of('tool-changed')).toEqual([
    expect.stringMatching(/^Cancel what is active: G40 G49 G80\. Lift Z clear: /),
    expect.stringContaining('T1 seated, touched, keyed and proven'),
    expect.stringMatching(/^Begin at /),
    expect.stringMatching(/^Z to a safe height first, then X and Y/),
  ])
  expect(of('home-lost')).toEqual([])
})

describe('the release', () => {
  test('says what is open, in the order of work', () => {
    const view = releaseView(keyedByMira)
    expect(view.shows).toBe('open')
    expect(view.sentence).toBe(`${view.open.length} steps are still open.`)
    expect(view.open.map(({ key }) => key)).not.toContain('key-in:H1')
    expect(view.open.map(({ key }) => key)).not.toContain('record')
  })

  test('is offered when all is done, with what somebody answers for', () => {
    expect(releaseView(whole)).toMatchObject({ shows: 'release', open: [], overtaken: '' })
    const answered = after(
      example('whole-run', 21),
      { kind: 'acceptance', body: { address: 'G54.X', accepts: 'unproven', reason: 'seen' } },
      { kind: 'check-off', body: { of: 'air-cut', leftOut: 'graphics broken' } },
    )
    expect(releaseView(answered).accepted).toEqual([
      'G54 X unproven: seen (Mira Toller)',
      'air-cut left out: graphics broken (Mira Toller)',
    ])
  })

  test('says which tools the policy of the machine let go', () => {
    const { machine, tools } = whole.document.sheet
    const policy = { proves: 'riskiest' } as const
    const second = { ...tools[0]!, number: 2, lengthRegister: 2, lastLength: mm('80') }
    const setup = example('whole-run', 21, {
      machine: { ...machine, policy },
      tools: [...tools, second],
    })
    expect(releaseView(setup).accepted).toEqual([
      'T2 not proven: the machine’s policy proves the riskiest',
    ])
  })

  test('says which reading was a surprise and stands, until it is replaced', () => {
    const tip = { of: 'tip-on-plane', tool: 1, with: ['setter'] } as const
    const surprised = after(read, {
      kind: 'reading',
      body: { ...tip, with: ['setter'], read: mm('-230.000'), surprise: 'touched again' },
    })
    expect(releaseView(surprised).accepted).toEqual([
      'T1 · 10 mm end mill was not what was expected: touched again (Mira Toller)',
    ])
    const id = surprised.document.readings.at(-1)?.id ?? ''
    const replaced = after(surprised, {
      kind: 'reading',
      body: {
        ...tip,
        with: ['setter'],
        read: mm('-220.000'),
        supersedes: id,
        reason: 'misread',
      },
    })
    expect(releaseView(replaced).accepted).toEqual([])
  })

  test('a record stands until something changes', () => {
    const record = { kind: 'record', body: { hash: 'a'.repeat(64) } } as never
    const released = after(whole, record)
    const { recordId } = releaseView(released)
    expect(releaseView(released)).toMatchObject({ shows: 'released', overtaken: '' })
    expect(recordId).toBe(released.document.records[0]?.id)
    const moved = releaseView(after(released, { kind: 'event', body: { kind: 'home-lost' } }))
    expect(moved.recordId).toBeUndefined()
    expect(moved.overtaken).toContain('released by Mira Toller')
    expect(moved.shows).toBe('open')
  })
})

describe('something changed', () => {
  test('a carried-over length is offered only where a tool was touched before and after', () => {
    const offered = changeView(read, { value: '' }).kinds.map(({ value }) => value)
    expect(offered).not.toContain('rebased')
    expect(offered).toContain('check-failed')
    const withoutGauges = example('router-plate', 1, { gauges: [] })
    expect(changeView(withoutGauges, { value: '' }).kinds.map(({ value }) => value)).not.toContain(
      'check-failed',
    )
    const tip = { of: 'tip-on-plane', tool: 1, read: mm('-221.000'), with: ['setter'] } as const
    const twice = after(
      read,
      { kind: 'event', body: { kind: 'plane-moved' } },
      { kind: 'reading', body: tip },
    )
    expect(changeView(twice, { kind: 'rebased', value: '' })).toMatchObject({
      options: [{ value: '1' }],
      body: { kind: 'rebased', tool: 1 },
    })
  })

  test('what is asked of it, and nothing before that is said', () => {
    expect(changeView(read, { kind: 'tool-changed', value: '' })).toMatchObject({
      chosen: '1',
      body: { kind: 'tool-changed', tool: 1 },
    })
    expect(changeView(read, { kind: 'check-failed', value: '' }).body).toBeUndefined()
    expect(changeView(read, { kind: 'check-failed', which: 'setter', value: '' }).body).toEqual({
      kind: 'check-failed',
      gauge: 'setter',
    })
    expect(
      changeView(read, { kind: 'external-changed', which: 'Z', value: ' ' }).body,
    ).toBeUndefined()
    expect(changeView(read, { kind: 'external-changed', which: 'Z', value: ' 0.5 ' }).body).toEqual(
      {
        kind: 'external-changed',
        axis: 'Z',
        value: mm('0.5'),
      },
    )
    expect(changeView(read, { kind: 'home-lost', value: '' }).body).toEqual({ kind: 'home-lost' })
  })

  test('a gauge that was measured is asked for its size, in its own unit, and since when', () => {
    const said = { kind: 'gauge-measured', which: 'setter', value: '50.012' } as const
    expect(changeView(read, { ...said, value: '' }).questions).toEqual({
      label: 'Its height as it was measured',
      unit: 'mm',
      since: true,
    })
    expect(changeView(read, { kind: 'gauge-measured', value: '' }).questions).toBeUndefined()
    expect(changeView(read, said).body).toBeUndefined()
    expect(changeView(read, { ...said, value: '50.', since: 'now' }).body).toMatchObject({
      size: mm('50.'),
    })
    expect(changeView(read, { ...said, value: '-', since: 'now' }).body).toBeUndefined()
    expect(changeView(read, { ...said, value: '0', since: 'now' }).body).toBeUndefined()
    const { body } = changeView(read, { ...said, since: 'last-good' })
    expect(body).toEqual({
      kind: 'gauge-measured',
      gauge: 'setter',
      size: mm('50.012'),
      since: 'last-good',
    })
    // 0.012 more beneath the tip: H1 is 0.012 less, and what the control holds is to be keyed again.
    if (body === undefined) throw new Error('it is whole')
    expect(consequencesView(keyedByMira, body).changed).toEqual([
      {
        address: 'H1',
        name: 'H1',
        state: 'read',
        number: '−270.000 → −270.012 mm',
        text: 'key again',
      },
    ])
  })

  test('what it ends is told before it is said, and what stays', () => {
    const { changed, again, stay } = consequencesView(keyedByMira, {
      kind: 'tool-changed',
      tool: 1,
    })
    expect(changed).toEqual([
      {
        address: 'H1',
        name: 'H1',
        state: 'stale',
        number: '−270.000 mm',
        text: 'no longer holds',
      },
    ])
    expect(again).toMatch(/^To do again: .*T1/)
    expect(stay).toBe('As they are: G54 X, G54 Y, G54 Z.')
    // A point that slipped in the size of a gauge is told before it is said.
    const size = (text: string) =>
      consequencesView(keyedByMira, {
        kind: 'gauge-measured',
        gauge: 'setter',
        size: mm(text),
        since: 'now',
      }).disagrees
    expect(size('50.012')).toEqual([])
    expect(size('5.0012')).toMatchObject([
      { words: expect.stringContaining('44.999 mm smaller'), slip: expect.stringMatching(/point/) },
    ])
    const nothing = consequencesView(example('whole-run', 1), { kind: 'home-lost' })
    expect(nothing.again).toBe('Nothing has to be done again.')
  })
})
