import type { TouchPlanAnswer } from '@pine/contract'
import type { SetupSheet } from '@pine/core/sheet'
import {
  leftOutOf,
  moved,
  planView,
  proposedPlan,
  sheetToKeep,
  touchedBy,
} from '../src/areas/plan/plan-view'

// A plan as the server answers it: two ways for each of three tools, a changer of ten pockets.

const mm = (text: string) => ({ text, unit: 'mm' as const })
const minutes = (median: number, count = 0) => ({
  median,
  lower: median / 2,
  upper: median * 2,
  count,
})

const touch = (tool: number, pocket?: number): TouchPlanAnswer['touches'][number] => ({
  tool,
  ...(pocket !== undefined && { pocket }),
  chosen: 0,
  ways: [
    { with: ['setter'], minutes: minutes(1.5, 12), withinMm: 0.007, fitness: 'fit' },
    { with: ['paper'], minutes: minutes(1), withinMm: 0.026, fitness: 'undecided' },
    { with: [], minutes: minutes(2) },
  ],
  change: 0,
  check: tool === 3,
  why: `Touch it: why of T${tool}.`,
})

const answer: TouchPlanAnswer = {
  touches: [touch(1, 1), touch(2, 4), touch(3)],
  kept: [{ tool: 4, why: 'Length still good: touched yesterday.' }],
  times: { gauge: 1, changer: { pockets: 10, minutesEach: 0.1 } },
  minutes: { median: 5.8, lower: 3.55, upper: 10.3 },
  least: 5.8,
}

const sheet = {
  gauges: [
    { id: 'setter', kind: 'height-setter', name: '50 mm setter', size: mm('50') },
    { id: 'paper', kind: 'paper', name: 'paper', size: mm('0.09') },
  ],
  tools: [1, 2, 3, 4].map((number) => ({ number, name: `tool ${number}` })),
  leftOut: [{ tool: { number: 9, name: 'tap' }, reason: 'second side' }],
} as unknown as SetupSheet

const proposed = proposedPlan(answer, sheet)

describe('a plan as it was proposed', () => {
  const view = planView(answer, proposed, sheet)
  test('says how many touches, how long, and between which times half of the days lie', () => {
    // Three touches of 1.5, the setter laid ready, three pockets on: 5.8 minutes.
    expect(view.title).toBe('3 touches, about 6 minutes.')
    expect(view.about).toBe('On half of the days between 4 and 10 minutes.')
    expect(view.isProposed).toBe(true)
  })

  test('says of each touch where it is, with what, how long and how sure', () => {
    expect(view.lines[0]).toMatchObject({
      tool: 1,
      name: 'tool 1',
      how: 'pocket 1, 50 mm setter',
      takes: '1.5 min',
      timed: '0.8 to 3.0 minutes, by 12 in the log of this machine.',
      sure: '± 0.007 mm',
      isUnsure: false,
      why: 'Touch it: why of T1.',
      chosen: '0',
    })
    expect(view.lines[2]?.how).toBe('by hand, 50 mm setter')
    expect(view.lines[2]?.takes).toBe('check, 1.5 min')
    expect(view.lines[0]?.ways.map(({ label }) => label)).toEqual([
      '50 mm setter',
      'paper: 0.5 min quicker, ± 0.026 mm, barely enough (and not ± 0.007)',
      'the bare tip: 0.5 min slower, nothing tells how sure yet (and not ± 0.007)',
    ])
  })

  test('says what need not be touched and what is left out', () => {
    expect(view.kept).toEqual([
      { tool: 4, name: 'tool 4', why: 'Length still good: touched yesterday.' },
    ])
    expect(view.leftOut).toEqual([{ tool: 9, name: 'tap', reason: 'second side' }])
    expect(view.keeps).toEqual({
      touches: [1, 2, 3].map((tool) => ({ tool, with: ['setter'] })),
      leftOut: [{ tool: 9, reason: 'second side' }],
    })
  })

  test('without a changer no pocket is named', () => {
    const byHand = { ...answer, times: { gauge: 1 } }
    expect(planView(byHand, proposed, sheet).lines[0]?.how).toBe('50 mm setter')
  })
})

describe('moved about', () => {
  test('it is counted anew, and told beside what was proposed', () => {
    // 2, 3, 1: from 4 by hand to 1 nothing turns; the three pockets fall away.
    const later = planView(answer, moved(proposed, 1, 2), sheet)
    expect(later.lines.map(({ tool }) => tool)).toEqual([2, 3, 1])
    expect(later.about).toContain('0.3 minutes less than what was proposed.')
    expect(later.isProposed).toBe(false)
    expect(planView(answer, moved(moved(proposed, 1, 2), 1, 0), sheet).isProposed).toBe(true)
    const paper = planView(answer, touchedBy(proposed, 2, 1), sheet)
    // Half a minute quicker, and two more gauges laid ready.
    expect(paper.about).toContain('1.5 minutes longer than what was proposed.')
    expect(paper.lines[1]).toMatchObject({ how: 'pocket 4, paper', isUnsure: true, chosen: '1' })
    expect(paper.keeps.touches[1]).toEqual({ tool: 2, with: ['paper'] })
  })

  test('as quick as what was proposed is said so', () => {
    const swapped = planView(answer, moved(proposed, 2, 0), sheet)
    expect(swapped.lines.map(({ tool }) => tool)).toEqual([2, 1, 3])
    expect(swapped.about).toContain('As quick as what was proposed.')
  })

  test('one that is left out is asked for no more, and comes back where it was', () => {
    const out = leftOutOf(proposed, 2, 'broken')
    const view = planView(answer, out, sheet)
    expect(view.lines.map(({ tool }) => tool)).toEqual([1, 3])
    expect(view.leftOut.at(-1)).toEqual({ tool: 2, name: 'tool 2', reason: 'broken' })
    expect(planView(answer, leftOutOf(out, 2, undefined), sheet).isProposed).toBe(true)
    expect(leftOutOf(out, 2, 'on order').leftOut).toHaveLength(2)
  })

  test('nothing is left', () => {
    const none = { ...answer, touches: [], minutes: { median: 0, lower: 0, upper: 0 } }
    const view = planView(none, proposedPlan(none, sheet), sheet)
    expect([view.title, view.about, view.lines]).toEqual(['Nothing is left to touch.', '', []])
    expect([view.isWork, sheetToKeep(sheet, view)]).toEqual([false, undefined])
    const back = planView(none, leftOutOf(proposedPlan(none, sheet), 9, undefined), sheet)
    expect([back.isWork, sheetToKeep(sheet, back)?.tools.at(-1)?.number]).toEqual([true, 9])
  })

  test('kept once, the same plan changes nothing', () => {
    const planned = sheetToKeep(sheet, planView(answer, proposed, sheet))
    expect(planned?.tools[0]).toMatchObject({ number: 1, touchWith: ['setter'] })
    expect(sheetToKeep(planned!, planView(answer, proposed, planned!))).toBeUndefined()
  })
})
