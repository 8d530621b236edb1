import { checkOf, checksView, newCheck, watchDraft, watchOf } from '@/areas/gauges/checks-view'
import { gaugesCall, standingWords } from '@/areas/shop/standing-words'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const inch = (text: string) => ({ text, unit: 'in' as const })
const id = '019aaaaa-0000-7000-8000-000000000001'
const check = (day: string, read: string, by = 'Mira') => ({
  id: `019aaaaa-0000-7000-8000-0000000001${day}`,
  at: `2026-01-${day}T09:00:00.000Z`,
  read: mm(read),
  against: 'gauge block',
  master: mm('50.000'),
  by,
})
const gauge = { id, kind: 'height-setter', name: 'setter', size: mm('50.000') } as const
const watched = (...checks: ReturnType<typeof check>[]) => ({
  gauge: { id, gauge, watch: { limit: mm('0.010'), everyDays: 90 } },
  checks,
})
const NOW = '2026-01-20T12:00:00.000Z'

test('what nobody watches has no view of its checks', () =>
  expect(checksView({ gauge: { id, gauge }, checks: [] }, NOW)).toBeUndefined())

test('a tolerance that cannot be read is none: the page asks for one', () =>
  expect(
    checksView(
      { gauge: { id, gauge, watch: { limit: mm('wide') } }, checks: [check('05', '50.001')] },
      NOW,
    ),
  ).toBeUndefined())

test('its checks, the youngest first, each with who made it and what is wrong with it', () => {
  const view = checksView(watched(check('05', '50.001'), check('12', '50.015', 'Jory')), NOW)!
  expect(view.tone).toBe('wrong')
  expect(view.rows).toEqual([
    expect.objectContaining({
      on: '12 Jan 2026',
      off: '+0.015 mm',
      by: 'Jory',
      fault: 'outside its tolerance',
    }),
    expect.objectContaining({ on: '5 Jan 2026', off: '+0.001 mm', by: 'Mira', fault: undefined }),
  ])
  expect(checksView(watched(check('05', '50.001')), NOW)?.tone).toBe('good')
  expect(checksView(watched(), NOW)).toMatchObject({ tone: 'due', rows: [], interval: undefined })
})

test('the chart in the unit of the gauge, reaching beyond all that is drawn, and the same in a sentence', () => {
  expect(checksView(watched(check('05', '50.001')), NOW)?.chart).toBeUndefined()
  const chart = checksView(watched(check('05', '50.001'), check('12', '49.980')), NOW)!.chart!
  expect(chart.points).toEqual([
    { on: '01-05', off: expect.closeTo(0.001, 12) },
    { on: '01-12', off: expect.closeTo(-0.02, 12) },
  ])
  expect(chart.reach).toBeCloseTo(0.023, 12)
  expect(chart.limit).toBeCloseTo(0.01, 12)
  // Mean −0.0095, moving range 0.021: 3 · 0.021 / 1.128 = 0.05585 to either side.
  expect(chart.upper).toBeCloseTo(0.04635, 5)
  expect(chart.lower).toBeCloseTo(-0.06535, 5)
  expect(chart.text).toContain('tolerance ±0.010 mm.')
  const inInches = {
    gauge: {
      id,
      gauge: { ...gauge, size: inch('2.0000') },
      watch: { limit: inch('0.0005') },
    },
    checks: [
      { ...check('05', ''), read: inch('2.0001'), master: inch('2.0000') },
      { ...check('12', ''), read: inch('2.0003'), master: inch('2.0000') },
    ],
  }
  expect(checksView(inInches, NOW)?.chart?.points[1]?.off).toBeCloseTo(0.0003, 12)
  expect(checksView(inInches, NOW)?.chart?.limit).toBeCloseTo(0.0005, 12)
})

test('a check as it is typed: the same master as last time, and what is wrong with it', () => {
  expect(newCheck(watched())).toEqual({ read: '', against: '', master: '50.000' })
  const last = { ...check('05', '50.001'), master: mm('49.999') }
  expect(newCheck(watched(last))).toEqual({ read: '', against: 'gauge block', master: '49.999' })
  expect(checkOf({ read: ' 50.004 ', against: ' block ', master: '50' }, 'mm')).toEqual({
    made: { read: mm('50.004'), against: 'block', master: mm('50') },
  })
  const wrong = checkOf({ read: '5o', against: ' ', master: '-1' }, 'mm')
  expect(Object.keys('problems' in wrong ? wrong.problems : {})).toEqual([
    'read',
    'master',
    'against',
  ])
})

test('how it is watched, as it is typed', () => {
  expect(watchDraft(undefined, 'mm')).toEqual({ limit: '', days: '', reason: '' })
  expect(watchDraft({ limit: mm('0.01'), everyDays: 30 }, 'mm')).toMatchObject({
    limit: '0.01',
    days: '30',
  })
  expect(watchOf({ limit: '0.01', days: '30', reason: 'lengths' }, 'mm')).toEqual({
    made: { watch: { limit: mm('0.01'), everyDays: 30 }, reason: 'lengths' },
  })
  expect(watchOf({ limit: '0.01', days: '', reason: 'x' }, 'mm')).toEqual({
    made: { watch: { limit: mm('0.01') }, reason: 'x' },
  })
  const wrong = watchOf({ limit: '0', days: '', reason: ' ' }, 'mm')
  expect(Object.keys('problems' in wrong ? wrong.problems : {})).toEqual(['limit', 'reason'])
})

test('beside its name: how it stands, in a few words', () => {
  expect(standingWords(undefined)).toBe('not watched')
  const one = { id, isDue: true, isSuspect: false }
  expect(standingWords(one)).toBe('never checked')
  const checked = { ...one, lastAt: NOW, dueOn: '2026-02-01' }
  expect(standingWords(checked)).toBe('check due since 1 Feb 2026')
  expect(standingWords({ ...checked, isDue: false })).toBe('in tolerance, next check 1 Feb 2026')
  expect(standingWords({ ...checked, isSuspect: true })).toBe('its last check was not good')
})

test('what is to be done about gauges, for who comes to work', () => {
  const good = { id, isDue: false, isSuspect: false }
  const due = { ...good, isDue: true }
  const suspect = { ...due, isSuspect: true }
  expect(gaugesCall(undefined)).toBeUndefined()
  expect(gaugesCall([good])).toBeUndefined()
  expect(gaugesCall([good, due])).toEqual({ words: 'One gauge check is due', isWrong: false })
  expect(gaugesCall([due, due])?.words).toBe('2 gauge checks are due')
  expect(gaugesCall([suspect])).toEqual({ words: 'One gauge is not to be trusted', isWrong: true })
  expect(gaugesCall([suspect, suspect, due])?.words).toBe(
    '2 gauges are not to be trusted, one check is due',
  )
  expect(gaugesCall([suspect, due, due])?.words).toBe(
    'One gauge is not to be trusted, 2 checks are due',
  )
})
