import { homeMarksView } from '@/areas/run/ready/home-marks-view'
import { type DialsCount, type MarkKey } from '@/areas/run/ready/marks'
import { partZeroView } from '@/areas/run/ready/part-zero-view'
import { after, example, mm } from './set-ups'

const { machine } = example('whole-run').document.sheet
const dials = { X: mm('5'), Y: mm('5'), Z: mm('5') }
const byMarks = example('whole-run', 6, {
  machine: { ...machine, homing: 'marks', dialTurn: dials },
})
const LOST = { kind: 'event', body: { kind: 'home-lost' } } as const
const UP: DialsCount = { X: 'up', Y: 'up', Z: 'up' }

type Texts = Partial<Record<MarkKey, string>>
const marks = (texts: Texts) => (key: MarkKey) =>
  mm(texts[key] ?? (key.endsWith('dial') ? '1.00' : '100'))
/** Nothing but what is named. */
const only = (texts: Texts) => (key: MarkKey) => mm(texts[key] ?? '')

const factsOf = (view: { outcome: ReturnType<typeof outcomeOf> }) => {
  if ('missing' in view.outcome) throw new Error(view.outcome.missing)
  return view.outcome.facts
}
const outcomeOf = (view: ReturnType<typeof homeMarksView> | ReturnType<typeof partZeroView>) => {
  if (view === undefined || view.shows === 'done') throw new Error('done')
  return view.outcome
}
const written = (texts = marks({}), counts = UP) => {
  const view = homeMarksView(byMarks, texts, counts)
  if (view.shows !== 'write') throw new Error(view.shows)
  return after(byMarks, ...factsOf(view))
}
const finding = (texts = marks({}), of = written()) => {
  const view = homeMarksView(after(of, LOST), texts, {})
  if (view.shows !== 'find') throw new Error(view.shows)
  return view
}

describe('home by marks', () => {
  test('is written down once, and shown from then on', () => {
    const view = homeMarksView(byMarks, marks({}), UP)
    if (view.shows !== 'write') throw new Error(view.shows)
    expect(view).toMatchObject({ next: 'Zeroed', lines: [], dials: ['X', 'Y', 'Z'] })
    expect(view.was('Xdial')).toBe('')
    expect(homeMarksView(written(), marks({}), UP)).toMatchObject({
      shows: 'done',
      marks: { X: { dial: mm('1.00'), coarse: mm('100') } },
    })
  })

  test('only the marks that there are; which way a dial counts is said, and Next says what is missing', () => {
    const missing = (texts: Texts, counts: DialsCount) =>
      outcomeOf(homeMarksView(byMarks, only(texts), counts))
    expect(missing({}, {})).toEqual({
      missing:
        'Write down the dial or the scale of one axis at least, or say that there are no marks.',
    })
    expect(missing({ Xdial: '1', Zdial: '2' }, { X: 'down' })).toEqual({
      missing: 'Say which way the Z dial counts as Z moves towards plus.',
      counts: 'Z',
    })
    expect(missing({ Xdial: '1', Ycoarse: '200' }, { X: 'down' })).toEqual({
      facts: [
        {
          kind: 'check-off',
          body: {
            of: 'home',
            marks: { X: { dial: mm('1'), dialFalls: true }, Y: { coarse: mm('200') } },
          },
        },
      ],
    })
    const view = homeMarksView(byMarks, only({}), {})
    expect(view.shows === 'write' && view.without).toEqual([
      { kind: 'check-off', body: { of: 'home' } },
    ])
  })

  test('after a loss it is found again beside what it was, with what it shifted by', () => {
    const view = finding(marks({ Zdial: '1.20' }))
    expect(view).toMatchObject({ next: 'Found', dials: [], without: undefined })
    expect(view.found).toMatchObject({
      marks: { X: { dial: mm('1.00') } },
      shift: { X: mm('0.000000'), Z: mm('-0.200000') },
    })
    expect(view.was('Zdial')).toBe('1.00')
    expect(view.was('Zcoarse')).toBe('100')
    expect(view.lines).toEqual([
      { key: 'X', wrong: false, words: 'X: found again to the graduation.' },
      { key: 'Y', wrong: false, words: 'Y: found again to the graduation.' },
      {
        key: 'Z',
        wrong: false,
        words: 'Z: positions read 0.200 mm less than before; every number is shifted by it.',
      },
    ])
    expect(factsOf(view).map(({ kind }) => kind)).toEqual(['event', 'check-off'])
    expect(factsOf(view)[0]).toMatchObject({
      body: { kind: 'home-recovered', shift: { Z: mm('-0.200000') } },
    })
  })

  test('a dial that counts down turns the shift round, without being asked again', () => {
    const view = finding(marks({ Zdial: '1.20' }), written(marks({}), { ...UP, Z: 'down' }))
    expect(factsOf(view)[0]).toMatchObject({ body: { shift: { Z: mm('0.200000') } } })
    expect(factsOf(view)[1]).toMatchObject({ body: { marks: { Z: { dialFalls: true } } } })
  })

  test('an axis that is left empty is touched again; one that is half typed, or in no certain turn, is in the way', () => {
    const empty = finding(marks({ Zdial: '', Zcoarse: '' }))
    expect(empty.lines.at(-1)).toMatchObject({
      words: 'Z: a new zero. What was read along it is touched again.',
      wrong: true,
    })
    expect(factsOf(empty)[0]).toMatchObject({
      body: { shift: { X: mm('0.000000'), Y: mm('0.000000') } },
    })
    // In no certain turn there is nothing yet to hold a place against.
    expect(finding(marks({ Zdial: '' })).found).toBeUndefined()
    expect(outcomeOf(finding(marks({ Zdial: '' })))).toEqual({
      missing:
        'Type what the Z dial and its scale show now, or leave Z empty: then what was read along Z is touched again.',
    })
    expect(outcomeOf(finding(marks({ Xcoarse: '102.5' })))).toEqual({
      missing:
        'X: nobody can tell in which turn of the dial it stands. Find the mark again, or leave X empty.',
    })
    // A dial that was not written down the first time is from now on, with the way that it counts.
    const onlyX = written(only({ Xdial: '1' }))
    const more = finding(only({ Xdial: '1', Ydial: '2' }), onlyX)
    expect(more.dials).toEqual(['Y'])
    expect(outcomeOf(more)).toMatchObject({ counts: 'Y' })
    // Nothing was found: a new home, and nothing is carried over.
    expect(factsOf(finding(only({})))).toEqual([
      { kind: 'check-off', body: { of: 'home', marks: {} } },
    ])
  })
})

describe('dials at part zero', () => {
  const at = (texts: Texts, of = written(), counts: DialsCount = {}) =>
    partZeroView(of, only(texts), counts)
  const zero = { Xdial: '2.40', Xcoarse: '180', Ydial: '0.10' }
  const noted = () => {
    const view = at(zero)
    return after(written(), ...factsOf({ outcome: outcomeOf(view) }))
  }

  test('are written down for the row, counted as at the marks', () => {
    expect(at(zero)).toMatchObject({
      shows: 'write',
      sentence: 'Drive to X0 Y0 of G54. Write the dials down.',
      dials: [],
      lines: [],
    })
    expect(outcomeOf(at({}))).toEqual({
      missing: 'Type what the X or the Y dial shows there, or say why it is left out.',
    })
    expect(partZeroView(noted(), only({}), {})).toMatchObject({
      shows: 'done',
      marks: { X: { dial: mm('2.40'), coarse: mm('180') }, Y: { dial: mm('0.10') } },
    })
    // Of a dial that was not at the mark it is asked.
    const onlyX = written(only({ Xdial: '1' }))
    expect(at(zero, onlyX)).toMatchObject({ dials: ['Y'] })
    expect(outcomeOf(at(zero, onlyX))).toEqual({
      missing: 'Say which way the Y dial counts as Y moves towards plus.',
      counts: 'Y',
    })
  })

  test('after a loss they are held against what they were', () => {
    const lost = after(noted(), LOST, {
      kind: 'check-off',
      body: { of: 'home', marks: { X: { dial: mm('1') }, Y: { dial: mm('1') } } },
    })
    const near = at({ ...zero, Xdial: '2.45' }, lost)
    expect(near).toMatchObject({
      shows: 'compare',
      lines: [
        {
          key: 'X',
          wrong: false,
          words:
            'X stands 0.050 mm further to plus than part zero was: as near as marks are found again.',
        },
        { key: 'Y', wrong: false, words: 'Y: where it was, to the graduation.' },
      ],
    })
    expect(near?.shows === 'compare' && near.was('Xdial')).toBe('2.40')
    expect(factsOf({ outcome: outcomeOf(near) })).toHaveLength(1)
    expect(outcomeOf(at({ ...zero, Ydial: '4.80' }, lost))).toEqual({
      missing:
        'Y stands 0.300 mm further to minus than part zero was. If the row shows what was keyed, touch Y again.',
    })
  })

  test('left out with its reason', () => {
    const view = at({})
    if (view === undefined || view.shows === 'done') throw new Error('done')
    const left = after(written(), view.leaveOut('no dials left'))
    expect(partZeroView(left, only({}), {})).toMatchObject({ shows: 'done', left: 'no dials left' })
  })
})
