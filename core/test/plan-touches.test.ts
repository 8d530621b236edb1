import { checkDocument, type Reading } from '../src/facts'
import { suggestGauges } from '../src/plan/asks/suggest-gauges'
import {
  carriedOver,
  minutesOfPlan,
  planTouches,
  sheetAsPlanned,
  type PlannedTouch,
  type TouchPlan,
} from '../src/planner'
import type { Gauge, SetupSheet, Tool } from '../src/sheet'
import { solve } from '../src/solve'
import {
  describeMinutes,
  describeOtherWay,
  describePlan,
  describeWayMinutes,
  describeWaySureness,
} from '../src/words'
import {
  checkFailed,
  event,
  mm,
  noseTouch,
  readingOf,
  setupOf,
  workedSheet,
} from './worked-example'

// What is left to touch, with what and in which order: sheets made by hand, one thing different at a time.

const tool = (number: number, changes: Partial<Tool> = {}): Tool => ({
  number,
  name: `tool ${number}`,
  lengthRegister: number,
  ...changes,
})

const sheetOf = (changes: Partial<SetupSheet> = {}) =>
  workedSheet({ tools: [1, 2, 3].map((number) => tool(number)), ...changes })

const NO_POCKETS = new Map<number, number>()

/** Six touches, each so many minutes after the one before. */
const logged = (gauge: string, minutes: number) =>
  Array.from({ length: 6 }, () => ({ minutes, with: [gauge] }))

const planned = (
  sheet: SetupSheet,
  log: Parameters<typeof planTouches>[3] = [],
  pockets: ReadonlyMap<number, number> = NO_POCKETS,
) =>
  planTouches(
    setupOf(sheet, []),
    sheet.tools.map(({ number }) => number),
    pockets,
    log,
  )

const withWhat = ({ touches }: TouchPlan) =>
  touches.map(({ ways, chosen }) => ways[chosen]?.with.join('+'))
const inOrder = ({ touches }: TouchPlan) => touches.map((touch) => touch.tool)
const wayOf = ({ touches }: TouchPlan, gauge: string) =>
  touches[0]?.ways.find((way) => way.with[0] === gauge)

describe('with what', () => {
  test('every gauge that serves in Z is a way; an edge finder is none; how sure each is comes from the set-up', () => {
    const plan = planned(sheetOf())
    expect(plan.touches[0]?.ways.map((way) => way.with)).toEqual([['setter'], ['paper']])
    // 95 %: twice the touch of a dial setter (0.003 mm) or of paper (0.012 mm), its size (0.002, 0.005) and the step, 0.001/√12 mm.
    const step = 0.001 / Math.sqrt(12)
    expect(wayOf(plan, 'setter')?.withinMm).toBeCloseTo(2 * Math.hypot(0.003, 0.002, step), 4)
    expect(wayOf(plan, 'paper')?.withinMm).toBeCloseTo(2 * Math.hypot(0.012, 0.005, step), 4)
  })

  test('where the nose is counted from, its own touch counts as well, read or not', () => {
    const sheet = sheetOf({ school: 'gauge-line' })
    const both = 2 * Math.hypot(0.003, 0.003, 0.001 / Math.sqrt(12), 0.001 / Math.sqrt(12))
    expect(wayOf(planned(sheet), 'setter')?.withinMm).toBeCloseTo(both, 4)
    const read = planTouches(setupOf(sheet, [noseTouch()]), [1], NO_POCKETS, [])
    expect(wayOf(read, 'setter')?.withinMm).toBeCloseTo(both, 4)
    const byPaper = readingOf<'nose-on-plane'>({
      of: 'nose-on-plane',
      read: mm('-349.910'),
      with: ['paper'],
    })
    const rough = planTouches(setupOf(sheet, [byPaper]), [1], NO_POCKETS, [])
    expect(wayOf(rough, 'setter')?.withinMm).toBeGreaterThan(0.024)
  })

  test('what is quicker by the shop’s own log, while it is sure enough for the job', () => {
    const log = [...logged('paper', 0.5), ...logged('setter', 3)]
    expect(withWhat(planned(sheetOf(), log))).toEqual(['paper', 'paper', 'paper'])
    const sharp = sheetOf({ needs: { depth: mm('0.05') } })
    expect(wayOf(planned(sharp), 'paper')?.fitness).toBe('undecided')
    expect(withWhat(planned(sharp, log))).toEqual(['setter', 'setter', 'setter'])
    // Nothing at hand is sure enough: the surest.
    const sharper = sheetOf({ needs: { depth: mm('0.004') } })
    expect(withWhat(planned(sharper, log))).toEqual(['setter', 'setter', 'setter'])
  })

  test('with no gauge that serves, the bare tip', () => {
    const plan = planned(sheetOf({ gauges: sheetOf().gauges.filter(({ id }) => id === 'finder') }))
    expect(withWhat(plan)).toEqual(['', '', ''])
    expect(plan.minutes.median).toBeCloseTo(3 * 2 + 1, 9)
  })
})

describe('of many gauges and many tools', () => {
  const setter = (index: number, repeatability: string): Gauge => ({
    id: `setter ${index}`,
    kind: 'height-setter',
    name: `setter ${index}`,
    size: mm('50'),
    repeatability: mm(repeatability),
  })
  const gauges = Array.from({ length: 30 }, (_, index) =>
    setter(index, index === 17 || index === 23 ? '0.001' : '0.005'),
  )
  const tools = Array.from({ length: 300 }, (_, index) => tool(index + 1))

  test('the quickest and those that repeat best are thought of, and an answer comes all the same', () => {
    const log = [5, 9, 12, 20].flatMap((index) => logged(`setter ${index}`, 0.5))
    const plan = planned(sheetOf({ gauges, tools }), log)
    expect(plan.touches[0]?.ways.map((way) => way.with[0])).toEqual(
      [5, 9, 12, 17, 20, 23].map((index) => `setter ${index}`),
    )
    expect(inOrder(plan).toSorted((one, other) => one - other)).toEqual(
      tools.map(({ number }) => number),
    )
    expect(plan.minutes.median).toBeCloseTo(300 * 0.5 + 1, 6)
  })
})

describe('how long', () => {
  test('by the log of the very gauge, with its spread; else the usual time, from half of it to twice', () => {
    const log = [1, 2, 3, 4, 5].map((minutes) => ({ minutes, with: ['setter'] }))
    const plan = planned(sheetOf(), log)
    expect(wayOf(plan, 'setter')?.minutes).toEqual({ lower: 2, median: 3, upper: 4, count: 5 })
    expect(wayOf(plan, 'paper')?.minutes).toEqual({ lower: 1, median: 2, upper: 4, count: 0 })
    // Paper is the quicker: three touches and one gauge laid ready.
    expect(plan.minutes).toEqual({ median: 7, lower: 4, upper: 13 })
    expect(plan.least).toBeCloseTo(plan.minutes.median, 9)
  })

  test('counts anew in the order that somebody moved it to', () => {
    const sheet = sheetOf({ machine: { ...sheetOf().machine, pockets: 30 } })
    const pockets = new Map([
      [1, 1],
      [2, 11],
      [3, 2],
    ])
    const plan = planned(sheet, [], pockets)
    expect([
      [1, 3, 2],
      [2, 3, 1],
    ]).toContainEqual(inOrder(plan))
    expect(plan.minutes.median).toBeCloseTo(3 * 1.5 + 1 + 10 * 0.02, 9)
    const by = new Map(plan.touches.map((touch) => [touch.tool, touch]))
    const moved = [1, 2, 3].map((number) => by.get(number) as PlannedTouch)
    expect(minutesOfPlan(moved, plan.times).median).toBeCloseTo(3 * 1.5 + 1 + 19 * 0.02, 9)
    const paper = moved.map((touch) => ({ ...touch, chosen: touch.tool === 2 ? 1 : touch.chosen }))
    expect(minutesOfPlan(paper, plan.times).median).toBeCloseTo(2 * 1.5 + 2 + 3 + 19 * 0.02, 9)
  })
})

describe('in which order', () => {
  test('the longest that is known comes first, by its length, its last one or a rule', () => {
    const known = (...tools: readonly Tool[]) => inOrder(planned(sheetOf({ tools })))[0]
    expect(known(tool(1), tool(2, { rough: mm('80') }), tool(3, { lastLength: mm('120') }))).toBe(3)
    expect(known(tool(1), tool(2, { rough: mm('180') }), tool(3, { lastLength: mm('120') }))).toBe(
      2,
    )
    expect(known(tool(1, { lastLength: mm('9') }), tool(2), tool(3))).toBe(1)
  })

  test('a master comes before all, then the longest', () => {
    const sheet = sheetOf({
      school: 'master-tool',
      reference: { masterTool: 2 },
      tools: [tool(1), tool(2), tool(3, { rough: mm('120') })],
    })
    expect(inOrder(planned(sheet)).slice(0, 2)).toEqual([2, 3])
    // One that was touched already is no part of the plan.
    const later = planTouches(setupOf(sheet, []), [1, 3], NO_POCKETS, [])
    expect(inOrder(later)).toEqual([3, 1])
  })

  test('nothing is left, nothing is planned', () => {
    const plan = planTouches(setupOf(sheetOf(), []), [], NO_POCKETS, [])
    expect(plan.touches).toEqual([])
    expect(plan.minutes).toEqual({ median: 0, lower: 0, upper: 0 })
  })
})

describe('a sheet that was planned', () => {
  test('offers the gauge that was planned, whatever lay at the last touch', () => {
    const sheet = sheetOf({ tools: [tool(1), tool(2, { touchWith: ['paper'] })] })
    const tip = readingOf<'tip-on-plane'>({
      of: 'tip-on-plane',
      tool: 1,
      read: mm('-220.000'),
      with: ['setter'],
    })
    const document = setupOf(sheet, [tip])
    expect(suggestGauges(document, { of: 'tip-on-plane', tool: 2 })).toEqual(['paper'])
    expect(suggestGauges(document, { of: 'tip-on-plane', tool: 1 })).toEqual(['setter'])
  })

  test('on the part the block that is in hand, and not paper in its place', () => {
    const gauges = [
      { id: 'paper', kind: 'paper', name: 'paper', size: mm('0.09') },
      { id: 'block', kind: 'gauge-block', name: 'block', size: mm('25') },
      { id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50') },
    ] as const
    const onPlane = (id: string) =>
      readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: 1, read: mm('-220'), with: [id] })
    const onPart = (...readings: readonly Reading[]) =>
      suggestGauges(setupOf(sheetOf({ gauges, tools: [tool(1)] }), readings), {
        of: 'tip-on-part',
        row: 'G54',
        tool: 1,
      })
    expect(onPart()).toEqual(['paper'])
    expect(onPart(onPlane('block'))).toEqual(['block'])
    // A sprung setter stays on its plane.
    expect(onPart(onPlane('setter'))).toEqual(['paper'])
  })

  test('asks nothing of a tool that is left out, and says what is wrong with one', () => {
    const leftOut = [{ tool: tool(3), reason: 'not needed for the first side' }]
    const sheet = sheetOf({ tools: [tool(1), tool(2)], leftOut })
    expect(solve(setupOf(sheet, [])).registers.map(({ address }) => address)).not.toContain('H3')
    expect(checkDocument(setupOf(sheet, []))).toEqual([])
    const problems = checkDocument(
      setupOf(
        sheetOf({
          tools: [tool(1), tool(2, { touchWith: ['setter', 'gone'] })],
          leftOut: [
            { tool: tool(2), reason: 'twice' },
            { tool: tool(4, { rough: mm('-3') }), reason: 'a length below zero' },
          ],
        }),
        [],
      ),
    )
    expect(problems.map(({ code, place }) => `${code} ${place}`)).toEqual([
      'reference-unknown sheet.tools.1.touchWith.1',
      'length-negative sheet.leftOut.1.tool.rough',
      'reference-duplicate sheet.tools.2.number',
    ])
  })
})

describe('the sheet by which a plan is worked', () => {
  const base = sheetOf({
    tools: [1, 2, 3, 4].map((number) => tool(number)),
    leftOut: [{ tool: tool(5), reason: 'second side' }],
  })
  const numbers = ({ tools }: SetupSheet) => tools.map(({ number }) => number)

  test('has the planned tools first, each with its gauge, then the others', () => {
    const sheet = sheetAsPlanned(base, {
      touches: [
        { tool: 3, with: ['paper'] },
        { tool: 1, with: ['setter'] },
      ],
      leftOut: [{ tool: 5, reason: 'second side' }],
    })
    expect(numbers(sheet)).toEqual([3, 1, 2, 4])
    expect(sheet.tools.map(({ touchWith }) => touchWith)).toEqual([
      ['paper'],
      ['setter'],
      undefined,
      undefined,
    ])
    expect(sheet.leftOut).toEqual(base.leftOut)
    expect(checkDocument(setupOf(sheet, []))).toEqual([])
  })

  test('leaves one out with its reason, and takes another back', () => {
    const sheet = sheetAsPlanned(base, {
      touches: [{ tool: 2, with: [] }],
      leftOut: [{ tool: 4, reason: 'broken, on order' }],
    })
    expect(numbers(sheet)).toEqual([2, 1, 3, 5])
    expect(sheet.leftOut).toEqual([{ tool: tool(4), reason: 'broken, on order' }])
    expect(sheetAsPlanned(sheet, { touches: [], leftOut: [] }).leftOut).toBeUndefined()
    expect(numbers(sheetAsPlanned(sheet, { touches: [], leftOut: [] }))).toEqual([2, 1, 3, 5, 4])
  })
})

describe('in words', () => {
  const way = (median: number, count: number, changes: object = {}) => ({
    with: ['setter'],
    minutes: { median, lower: 1, upper: 2, count },
    ...changes,
  })
  test.each([
    [() => describePlan(1, 0.4), 'One touch, about a minute.'],
    [() => describePlan(7, 13.6), '7 touches, about 14 minutes.'],
    [() => describeMinutes(1.5), '1.5 min'],
    [() => describeMinutes(9.94), '9.9 min'],
    [() => describeMinutes(9.96), '10 min'],
    [
      () => describeWayMinutes(way(1.5, 0)),
      '1.0 to 2.0 minutes, as touches with it usually take: the log of this machine has too few.',
    ],
    [() => describeWayMinutes(way(1.5, 9)), '1.0 to 2.0 minutes, by 9 in the log of this machine.'],
    [() => describeWaySureness(way(1, 0)), 'nothing tells how sure yet'],
    [() => describeWaySureness(way(1, 0, { withinMm: 0.00721 })), '± 0.007 mm'],
    [() => describeWaySureness(way(1, 0, { withinMm: 0.01, fitness: 'fit' })), '± 0.010 mm'],
    [
      () => describeWaySureness(way(1, 0, { withinMm: 0.026, fitness: 'undecided' })),
      '± 0.026 mm, barely enough',
    ],
    [
      () => describeWaySureness(way(1, 0, { withinMm: 0.06, fitness: 'unfit' })),
      '± 0.060 mm, not sure enough',
    ],
    [
      () => describeOtherWay(way(1, 0, { withinMm: 0.026 }), way(1.5, 0, { withinMm: 0.007 })),
      '0.5 min quicker, ± 0.026 mm (and not ± 0.007)',
    ],
    [
      () => describeOtherWay(way(2.5, 0, { withinMm: 0.026 }), way(1.5, 0)),
      '1.0 min slower, ± 0.026 mm',
    ],
    [() => describeOtherWay(way(1.52, 0), way(1.5, 0)), 'as quick, nothing tells how sure yet'],
  ])('%#', (said, wanted) => expect(said()).toBe(wanted))
})

describe('over a plane that moved', () => {
  const tip = (number: number, changes: object = {}) =>
    readingOf<'tip-on-plane'>({
      ...{ of: 'tip-on-plane', tool: number, read: mm('-220'), with: ['setter'], ...changes },
    })
  const after = (readings: readonly Reading[], ...events: readonly ReturnType<typeof event>[]) =>
    carriedOver({ ...setupOf(sheetOf(), readings), events, length: 1e9 }, [1, 2, 3])

  test('one touch carries those that were touched before; a second touch of one says which', () => {
    const before = [tip(1), tip(2), tip(3)]
    const moved = event({ kind: 'plane-moved' })
    expect(after(before)).toBeUndefined()
    expect(after(before, moved)).toEqual({ by: 1, isTouched: false, tools: [2, 3] })
    expect(after([...before, tip(2)], moved)).toEqual({ by: 2, isTouched: true, tools: [1, 3] })
  })

  test('one that is behind something else, or was never touched before it, is touched', () => {
    const before = [tip(1), tip(2), tip(3, { with: ['paper'] })]
    const broken = event({ kind: 'tool-changed', tool: 1 })
    const failed = checkFailed('paper')
    const moved = event({ kind: 'plane-moved' })
    expect(after(before, broken, moved)).toEqual({ by: 2, isTouched: false, tools: [3] })
    // Alone there is nothing that it carries.
    expect(after(before, broken, failed, moved)).toBeUndefined()
    expect(after([tip(1), tip(2)], moved)).toBeUndefined()
    const replaced = tip(2, { supersedes: before[1]!.id, reason: 'misread' })
    const last = event({ kind: 'plane-moved' })
    expect(after([...before, replaced], last)).toMatchObject({ by: 1, tools: [2, 3] })
  })

  test('from before two moves one touch carries what was made where its own were, and nothing else', () => {
    const before = [tip(1), tip(2)]
    const first = event({ kind: 'plane-moved' })
    const between = [tip(2), tip(3)]
    const rebased = event({ kind: 'rebased', tool: 2 })
    const second = event({ kind: 'plane-moved' })
    const all = [...before, ...between]
    expect(after(before, first, second)).toEqual({ by: 1, isTouched: false, tools: [2] })
    // T1 from two moves back and from now tells both moves together, and nothing of what was touched between them.
    expect(after([tip(3), ...before, tip(1)], first, second)).toMatchObject({ by: 1, tools: [2] })
    // T2 was touched before either: it tells of both.
    expect(after(all, first, second)).toEqual({ by: 2, isTouched: false, tools: [1, 3] })
    expect(after(all, first, rebased, second)).toMatchObject({ by: 2, tools: [1, 3] })
  })
})
