import { fitCircle } from '../src/features'
import { readProgram } from '../src/program'
import { bySeverity, sheetFromProgram } from '../src/running'
import { type SetupSheet } from '../src/sheet'
import {
  describeCheck,
  describeJudgement,
  describeSheet,
  describeTerm,
  saysSomething,
} from '../src/words'
import { describeEvent } from '../src/words/setup/event-words'
import { event, mm, workedDocument, workedSheet } from './worked-example'

// What people read of a sum, a sheet and a program: each condition of it with the words that it makes.

test.each([
  [1, '-220.000', true, '−220.000'],
  [1, '80', true, '80'],
  [-1, '80', true, '− 80'],
  [-1, '-80', true, '− (−80)'],
  [0.5, '16.000', true, '½ × 16.000'],
  [1, '50.000', false, '+ 50.000'],
  [1, '-6.1085', false, '− 6.1085'],
  [-1, '50.000', false, '− 50.000'],
  [-1, '-300.000', false, '− (−300.000)'],
  [0.5, '16', false, '+ ½ × 16'],
  [-0.5, '16', false, '− ½ × 16'],
  [0.5, '-412.3', false, '+ ½ × (−412.3)'],
  [1 / 3, '9', false, '+ 0.3333 × 9'],
  [-2, '9', false, '− 2 × 9'],
] as const)(
  '%d times %s, first in its sum: %s, is written %s',
  (coefficient, text, first, words) => {
    expect(describeTerm({ coefficient, text }, first)).toBe(words)
  },
)

test('what was declared to be zero says nothing in a sum; what was read as zero does', () => {
  type Line = Parameters<typeof saysSomething>[0]
  const line = (kind: Line['kind'], contribution: number) =>
    saysSomething({ kind, contribution } as Line)
  expect([line('drawing', 0), line('declared', 0)]).toEqual([false, false])
  expect([line('reading', 0), line('gauge', 0), line('drawing', 1)]).toEqual([true, true, true])
})

describe('a sheet that is read out', () => {
  const lines = (changes: Partial<SetupSheet>, title: string) =>
    describeSheet(workedSheet(changes)).find((part) => part.title === title)?.lines
  const [offset] = workedSheet().offsets
  const row = (changes: object) => lines({ offsets: [{ ...offset!, ...changes }] }, 'G54')

  test('what is left out for now stands there with its reason, and nothing where nothing is', () => {
    const tool = { number: 11, name: 'chamfer mill', lengthRegister: 11 }
    expect(lines({ leftOut: [{ tool, reason: 'second side' }] }, 'Left out for now')).toEqual([
      ['T11', 'chamfer mill: second side'],
    ])
    expect(lines({}, 'Left out for now')).toBeUndefined()
  })

  test('numbers below zero have a minus, and not the hyphen that they are typed with', () => {
    const drawing = mm('-40.000')
    const all = JSON.stringify([
      ...describeSheet(workedSheet({ offsets: [{ ...offset!, X: { ...offset!.X, drawing } }] })),
      describeEvent(event({ kind: 'external-changed', axis: 'Z', value: mm('-2.5') }), []),
    ])
    expect(all).toContain('= −40.000 mm')
    expect(all).toContain('Z is −2.5 mm')
    expect(all).not.toMatch(/-\d/)
  })

  test('machine, school, zero and stock', () => {
    expect(lines({ zero: '' }, 'Machine and zero')).toEqual([
      ['Machine', 'Mill 2, mill'],
      ['Lengths', 'to the setting plane (fixed jaw)'],
      ['Keyed', 'all together'],
      ['Zero', 'not said'],
      ['Stock X Y Z', '120 mm × 80 mm × 40 mm'],
    ])
    const school = (changes: Partial<SetupSheet>) => lines(changes, 'Machine and zero')?.[1]?.[1]
    expect(school({ school: 'gauge-line' })).toBe('real lengths, from the nose')
    expect(school({ school: 'part-top' })).toBe('to the top of this part')
    expect(school({ school: 'master-tool', reference: { masterTool: 7 } })).toBe(
      'compared with T7, the master',
    )
  })

  test('every way of an axis, with its face, its side and its size', () => {
    const X = (plan: object) => row({ X: { drawing: mm('5'), ...plan } })?.[0]
    const size = { size: mm('30'), diameter: mm('30'), tolerance: mm('0.1') }
    expect(X({ by: 'one-face', face: 'right', side: 'outside' })).toEqual([
      'X',
      'right face is X = 5 mm',
    ])
    expect(X({ by: 'one-face', face: 'right', side: 'inside' })?.[1]).toMatch(/wall.* is X = 5 mm$/)
    expect(X({ by: 'two-faces', side: 'outside', ...size })?.[1]).toBe(
      'middle of both faces is X = 5 mm; size 30 mm ±0.1 mm',
    )
    expect(X({ by: 'two-faces', side: 'inside', ...size })?.[1]).toMatch(/^middle of the slot is/)
    expect(X({ by: 'circle', side: 'outside', ...size })?.[1]).toBe(
      'centre of the boss is X = 5 mm; diameter 30 mm ±0.1 mm',
    )
    expect(X({ by: 'circle', side: 'inside', ...size })?.[1]).toMatch(/^centre of the bore is/)
    expect(X({ by: 'sweep', side: 'inside' })?.[1]).toBe('centre by a swept dial is X = 5 mm')
    expect(X({ by: 'turned-corner', face: 'left' })?.[1]).toBe(
      'left face, however it is turned, is X = 5 mm',
    )
  })

  test('every way of Z, what is faced off, and a quill that stays out', () => {
    const Z = (plan: object) => row({ Z: { facing: mm('0.5'), ...plan } })?.[2]?.[1]
    const below = ', zero 0.5 mm below the stock top'
    expect(Z({ by: 'carried-difference' })).toBe(`difference carried from the plane${below}`)
    expect(Z({ by: 'nose-on-part' })).toBe(`bare nose on the part${below}`)
    expect(Z({ by: 'part-top' })).toBe(`the tools are touched on it${below}`)
    expect(Z({ by: 'tool-on-part', tool: 4 })).toBe(`T4 on the part${below}`)
    expect(Z({ by: 'fixture-difference', from: 'G55' })).toBe(
      `difference from the part of G55${below}`,
    )
    const quill = { measured: mm('10'), running: mm('20') }
    expect(Z({ by: 'nose-on-part', quill })).toBe(
      `bare nose on the part${below}; quill out 10 mm measured, 20 mm running`,
    )
  })

  test('tools with their rows, gauges with what is measured of them', () => {
    expect(lines({}, 'Tools')).toEqual([['T1', '10 mm end mill · H1']])
    expect(lines({}, 'Gauges')).toEqual([
      ['50 mm setter', 'height setter, height 50.000 mm'],
      ['10 mm edge finder', 'edge finder, tip diameter 10.000 mm'],
      ['paper', 'paper, thickness 0.09 mm'],
    ])
  })
})

describe('a sheet that a program begins', () => {
  const tools = (...lines: readonly string[]) =>
    sheetFromProgram(readProgram(['G21', ...lines, 'M30'].join('\n'))).tools

  test('has each tool once, with the H and D that it calls first', () => {
    expect(
      tools('T3 M6', 'G43 H13 Z5', 'G41 D23 X0', 'T3 M6', 'G43 H14 Z5', 'T4 M6', 'G43 H4 Z5'),
    ).toEqual([
      { number: 3, name: '', lengthRegister: 13, diameterRegister: 23 },
      { number: 4, name: '', lengthRegister: 4 },
    ])
  })

  test('a tool without an H keeps its number; no register 0, and none that another tool has', () => {
    expect(tools('T5 M6', 'G1 Z-1 F100')).toEqual([{ number: 5, name: '', lengthRegister: 5 }])
    expect(tools('T5 M6', 'G43 H0 Z5', 'G41 D0 X1')).toEqual([
      { number: 5, name: '', lengthRegister: 5 },
    ])
    expect(
      tools('T5 M6', 'G43 H9 Z5', 'T6 M6', 'G43 H9 Z5').map((one) => one.lengthRegister),
    ).toEqual([9, 6])
  })

  test('what comes before any tool, and an empty spindle, are none', () => {
    expect(tools('G0 X0', 'T0 M6', 'G0 X1')).toEqual([])
  })

  test('a name that would not fit is cut', () => {
    const [tool] = tools(`(${'long '.repeat(30)})`, 'T5 M6', 'G43 H5 Z5')
    expect(tool?.name.length).toBeLessThanOrEqual(60)
  })
})

test('the dangers of a program come first, each kind by its line', () => {
  const at = (severity: 'danger' | 'look' | 'note', line: number) =>
    ({ code: 'cuts-far-beneath', severity, line, column: 1 }) as never
  expect(
    bySeverity([at('note', 1), at('look', 9), at('danger', 7), at('look', 2), at('danger', 3)]).map(
      ({ severity, line }) => `${severity} ${line}`,
    ),
  ).toEqual(['danger 3', 'danger 7', 'look 2', 'look 9', 'note 1'])
})

test('a judgement is about a tool in its row, or about the row alone', () => {
  const title = (about: object) =>
    describeJudgement(
      { code: 'cuts-far-beneath', severity: 'danger', line: 3, column: 1, ...about } as never,
      () => '5 mm',
    ).title
  expect(title({ tool: 4, row: 'G54', amount: -5_000_000 })).toBe(
    'T4 in G54 goes 5 mm below the underside of the part',
  )
  expect(title({ row: 'G54' })).toBe('G54 goes far below the underside of the part')
})

describe('a circle', () => {
  test('tells how far each touch lies off it, and how round it is', () => {
    // Four touches of radius 10 about (3, −4), one of them 0.04 further out: the fit gives way by a quarter of it.
    const fit = fitCircle([
      { x: 13.04, y: -4 },
      { x: -7, y: -4 },
      { x: 3, y: 6 },
      { x: 3, y: -14 },
    ])
    if (!fit.ok) throw new Error('it is one')
    expect(fit.value.residuals.reduce((sum, one) => sum + one, 0)).toBeCloseTo(0, 9)
    expect(fit.value.residuals[0]).toBeCloseTo(0.01, 3)
    expect(fit.value.residuals[2]).toBeCloseTo(-0.01, 3)
    expect(fit.value.roundness).toBeCloseTo(0.02, 3)
    expect(fit.value.centre.x).toBeCloseTo(3.02, 3)
  })

  test('is none of points on a line, near a line, or all in one place', () => {
    const line = (bend: number) =>
      fitCircle([
        { x: 0, y: 0 },
        { x: 1, y: bend },
        { x: 2, y: 0 },
      ]).ok
    expect([line(0), line(1e-12), line(0.1)]).toEqual([false, false, true])
    expect(fitCircle([1, 2, 3].map(() => ({ x: 5, y: 5 }))).ok).toBe(false)
  })
})

test('before the start the external offset is looked at: as declared, or as it is now', () => {
  const { machine } = workedSheet()
  const declared = workedDocument({ machine: { ...machine, externalOffset: { Z: mm('1.5') } } }, [])
  const told = (document: typeof declared) =>
    describeCheck(document, 'home').points.find((point) => point.startsWith('The external offset'))
  expect(told(declared)).toContain('shows X 0 mm, Y 0 mm, Z 1.5 mm.')
  const changed = event({ kind: 'external-changed', axis: 'Z', value: mm('-2') })
  expect(told({ ...declared, events: [changed] })).toContain('Z −2 mm.')
  const byMarks = workedDocument({ machine: { ...machine, homing: 'marks' } }, [])
  expect(told(byMarks)).toContain('shows X 0 mm')
})
