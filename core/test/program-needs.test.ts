import { type SetupDocument } from '../src/facts'
import { type ReadBack } from '../src/facts/bodies/bodies'
import { toNanometres } from '../src/length'
import { placeProgramView, programViews, speakProgramView, type ProgramView } from '../src/picture'
import { mendOf, needsBeside, stepsOf } from '../src/plan'
import { looksLikeText, readProgram } from '../src/program'
import {
  faultsOf,
  judgeAll,
  machineExtents,
  programStanding,
  sheetFromProgram,
} from '../src/running'
import { type SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeCutting, describeJudgement } from '../src/words'
import {
  event,
  fact,
  leftTouch,
  mm,
  planeReadings,
  shown,
  workedDocument,
  workedSheet,
} from './worked-example'

const program = (...lines: readonly string[]) => readProgram(lines.join('\n'))

/** The worked example: H1 −270, G54 −347.3, −210, −30; the stock top is Z0. */
const setup = (
  changes: Partial<SetupSheet> = {},
  readBacks: readonly ReadBack[] = [],
): SetupDocument => ({
  ...workedDocument(changes, planeReadings()),
  readBacks,
})

const told = (document: SetupDocument, ...lines: readonly string[]) => {
  const solution = solve(document)
  return faultsOf(judgeAll(program(...lines), document, solution), solution).map(
    ({ code, line, amount }) =>
      amount === undefined ? `${line} ${code}` : `${line} ${code} ${amount / 1e6}`,
  )
}

const START = ['G21 G90 G40 G49 G80', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z25.']
const END = ['G0 Z25.', 'G40 G49', 'M30']

describe('what lies beneath: stock 40 high, 20 of it gripped, so that the jaws end 20 below Z0', () => {
  const held = { holding: { jaw: mm('50'), parallels: mm('30') } }
  test.each([
    ['G1 Z-19.999 F100', []],
    ['G1 Z-21. F100', ['5 reaches-jaws -1']],
    ['G1 Z-41. F100', ['5 reaches-jaws -21', '5 reaches-parallels -1']],
    ['G1 Z-43. F100', ['5 reaches-jaws -23', '5 reaches-parallels -3']],
    // A point that slipped: 6 written as 60.
    ['G1 Z-60. F100', ['5 cuts-far-beneath -20', '5 reaches-jaws -40']],
  ])('%s', (line, faults) => expect(told(setup(held), ...START, line, ...END)).toEqual(faults))

  test('the facing counts: zero lies 2 below the stock top, so the jaws are 18 below it', () => {
    const [offset] = workedSheet().offsets
    const faced = { ...held, offsets: [{ ...offset!, Z: { ...offset!.Z, facing: mm('2') } }] }
    expect(told(setup(faced), ...START, 'G1 Z-18.5 F100', ...END)).toEqual(['5 reaches-jaws -0.5'])
  })
})

test('a speed above what the spindle turns', () => {
  const { machine } = workedSheet()
  const slow = setup({ machine: { ...machine, maxSpindleSpeed: 4000 } })
  expect(told(slow, ...START, 'S4001', 'G1 Z-1 F100', ...END)).toEqual(['2 speed-above-limit'])
  expect(told(slow, ...START, 'S4000', 'G1 Z-1 F100', ...END)).toEqual([])
})

describe('a speed that stays on the control, for the finder that is put in afterwards', () => {
  const finder = (maxSpeed?: number) =>
    setup({
      gauges: [
        ...workedSheet().gauges,
        {
          id: 'finder',
          kind: 'edge-finder',
          name: 'finder',
          size: mm('10'),
          ...(maxSpeed !== undefined && { maxSpeed }),
        },
      ],
    })
  const speeds = (document: SetupDocument, ...lines: readonly string[]) =>
    told(document, ...START, ...lines, ...END)
  test.each([
    [['S1201', 'G1 Z-1 F100'], ['2 speed-above-finder']],
    [['S1200', 'G1 Z-1 F100'], []],
    // The last one counts, even where it was set before.
    [['S800', 'S9000', 'S800', 'G1 Z-1 F100'], []],
    [['S9000', 'S800', 'S9000', 'G1 Z-1 F100'], ['2 speed-above-finder']],
  ])('%s', (lines, faults) => expect(speeds(finder(1200), ...lines)).toEqual(faults))
  test('is nothing where no limit is known', () =>
    expect(speeds(finder(), 'S9000', 'G1 Z-1 F100')).toEqual([]))
})

describe('a tool that stands in for the one that the program was written for', () => {
  const [tool] = workedSheet().tools
  const standIn = (diameter: string, programDiameter: string) =>
    setup({
      tools: [
        {
          ...tool!,
          diameter: mm(diameter),
          diameterRegister: 1,
          programDiameter: mm(programDiameter),
        },
      ],
    })
  const plain = ['G1 X5 F100']
  const compensated = ['G41 D1 X5 F100', 'G40 X10']
  test.each([
    // Half a millimetre thinner: a quarter stays on every wall.
    ['9.5', '10', plain, ['2 substitute-not-compensated 0.25']],
    ['10.5', '10', plain, ['2 substitute-not-compensated -0.25']],
    ['9.5', '10', compensated, ['5 substitute-compensated 0.25']],
    ['10', '10', plain, []],
  ])('%s for %s, %s', (actual, written, lines, faults) =>
    expect(told(standIn(actual, written), ...START, ...lines, ...END)).toEqual(faults),
  )
  test('whose own diameter nobody has written down is told all the same', () => {
    const unknown = setup({ tools: [{ ...tool!, programDiameter: mm('10') }] })
    expect(told(unknown, ...START, ...plain, ...END)).toEqual(['2 substitute-not-compensated'])
  })
  test('says which way its walls are off', () => {
    const said = (diameter: string) => {
      const document = standIn(diameter, '10')
      const [judgement] = judgeAll(program(...START, ...plain), document, solve(document)).filter(
        ({ code }) => code === 'substitute-not-compensated',
      )
      return Object.values(describeJudgement(judgement!, (nm) => `${nm / 1e6} mm`)).join(' ')
    }
    expect(said('9.5')).toContain('a thicker tool')
    expect(said('9.5')).toContain('every wall is left 0.25 mm too thick')
    expect(said('10.5')).toContain('a thinner tool')
    expect(said('10.5')).toContain('every wall is cut 0.25 mm too deep')
  })
})

describe('the program as a step before the dry run', () => {
  const HASH = 'a'.repeat(64)
  const read = (...lines: readonly string[]): SetupDocument => ({
    ...setup(),
    programs: [{ ...fact(), name: 'x.ngc', bytes: 9, sha256: HASH, reading: program(...lines) }],
  })
  const seen = (document: SetupDocument, leftOut?: string): SetupDocument => ({
    ...document,
    checkOffs: [
      {
        ...fact(),
        of: 'program',
        ...(leftOut !== undefined && { leftOut }),
      },
    ],
  })
  const done = (document: SetupDocument) =>
    stepsOf(document, solve(document), false).find(({ step }) => step.key === 'program')?.done
  const good = read(...START, 'G1 Z-1 F100', ...END)
  test('is there once a program was read, right before the dry run', () => {
    const keys = (document: SetupDocument) =>
      stepsOf(document, solve(document), false).map(({ step }) => step.key)
    expect(keys(setup())).not.toContain('program')
    expect(keys(good).indexOf('program')).toBe(keys(good).indexOf('air-cut') - 1)
  })

  test('is done when somebody has looked it over since it was read', () => {
    expect(done(good)).toBe(false)
    expect(done(seen(good))).toBe(true)
    // Another revision is read: it is to be looked over anew, whatever the clocks say.
    const [first] = good.programs
    expect(done({ ...seen(good), programs: [first!, { ...first!, ...fact() }] })).toBe(false)
  })

  test('stays open with a danger in it, or another file at the machine, unless somebody says why', () => {
    const bad = read(...START, 'G52 X5', 'G1 Z-1 F100', ...END)
    expect(programStanding(bad, solve(bad))?.dangers).toMatchObject([{ code: 'shift-active' }])
    expect(done(seen(bad))).toBe(false)
    expect(done(seen(bad, 'the shift is meant'))).toBe(true)
    const checked = (sha256: string): SetupDocument => ({
      ...good,
      programChecks: [{ ...fact(), sha256 }],
    })
    expect(done(seen(checked(HASH)))).toBe(true)
    expect(done(seen(checked('b'.repeat(64))))).toBe(false)
    expect(done(seen(checked('b'.repeat(64)), 'the same but for a comment'))).toBe(true)
  })

  test('a reason answers for what was told then, not for what came since', () => {
    const reasoned = seen(read(...START, 'G52 X5', 'G1 Z-1 F100', ...END), 'the shift is meant')
    expect(done({ ...reasoned, programChecks: [{ ...fact(), sha256: 'b'.repeat(64) }] })).toBe(
      false,
    )
    expect(done({ ...reasoned, readBacks: [shown('H1', '-270.000')] })).toBe(false)
    expect(done({ ...reasoned, events: [event({ kind: 'home-lost' })] })).toBe(false)
  })
})

test('a lift that is in is told of, and leads to where it is taken out', () => {
  const lifted: SetupDocument = {
    ...setup(),
    lifts: [{ ...fact(), moves: 'in', where: 'work-offsets', amount: mm('30') }],
  }
  expect(told(lifted, ...START, 'G1 Z-1 F100', ...END)).toEqual(['1 lift-active 30'])
  const solution = solve(lifted)
  const [judgement] = judgeAll(program(...START), lifted, solution).filter(
    ({ code }) => code === 'lift-active',
  )
  expect(mendOf(judgement!, lifted, stepsOf(lifted, solution, false))).toMatchObject({
    step: { key: 'air-cut' },
  })
})

test('a D that no tool of the sheet has is a fault; one that is only not keyed yet is a need', () => {
  const cut = [...START, 'G41 D1 X5 F100', 'G40 X10', ...END]
  expect(told(setup(), ...cut)).toEqual(['5 diameter-not-set'])
  const [tool] = workedSheet().tools
  const withD = setup({ tools: [{ ...tool!, diameter: mm('10'), diameterRegister: 1 }] })
  expect(told(withD, ...cut)).toEqual([])
})

test('reach counts an external offset that was changed, and the H that is called, right or wrong', () => {
  const { machine, tools } = workedSheet()
  const Z = { min: mm('-320'), max: mm('0') }
  const two = setup({
    machine: { ...machine, travels: { Z } },
    tools: [...tools, { number: 2, name: 'drill', lengthRegister: 2, length: mm('10') }],
  })
  // −30 − 270 − 25 = −325, 5 beyond −320. Where 6 were taken off every row at once, the row is worked out
  // 6 higher, and the tip still goes to the same place.
  const deep = [...START, 'G1 Z-25. F100', ...END]
  expect(told(two, ...deep)).toContain('5 beyond-travel 5')
  const moved: SetupDocument = {
    ...two,
    events: [event({ kind: 'external-changed', axis: 'Z', value: mm('-6') })],
  }
  expect(told(moved, ...deep)).toContain('5 beyond-travel 5')
  // T2 driven by H1 goes to −30 − 270 − 25.
  const wrong = ['G21 G90 G40 G49 G80', 'T2 M6', 'G54 G0 X0 Y0', 'G43 H1 Z25.', 'G1 Z-25. F100']
  expect(told(two, ...wrong, ...END)).toContain('5 beyond-travel 5')
})

describe('extents in machine position', () => {
  const extents = (document: SetupDocument, ...lines: readonly string[]) =>
    program(...lines).operations.flatMap((operation) =>
      machineExtents(operation, document, solve(document)).map(({ row, extents: ranges }) => [
        row,
        Object.fromEntries(
          Object.entries(ranges).map(([axis, [low, high]]) => [axis, [low / 1e6, high / 1e6]]),
        ),
      ]),
    )
  const cut = [...START, 'G1 Z-1. F100', 'X10. Y-5.', ...END]
  test('G54 lies at −347.3, −210, −30, and H1 holds −270: added to what the program says', () =>
    expect(extents(setup(), ...cut)).toEqual([
      ['G54', { X: [-347.3, -337.3], Y: [-215, -210], Z: [-301, -275] }],
    ]))
  test('a control that subtracts its lengths holds the same with the other sign', () => {
    const { machine } = workedSheet()
    const subtracts = setup({
      machine: { ...machine, control: { ...machine.control, lengthSign: 'subtracted' } },
    })
    expect(extents(subtracts, ...cut)).toEqual(extents(setup(), ...cut))
  })
  test('without the length Z is not known; of a row that no sheet has, nothing is', () => {
    const other = cut.map((line) => line.replace('H1', 'H7'))
    expect(extents(setup(), ...other)).toEqual([['G54', { X: [-347.3, -337.3], Y: [-215, -210] }]])
    expect(extents(setup(), ...cut.map((line) => line.replace('G54', 'G59.1')))).toEqual([])
  })
})

test('what an operation sets, in the order in which it stays on the control', () => {
  const cutting = (...lines: readonly string[]) =>
    program(...lines).operations.map((operation) => describeCutting(operation, 'mm'))
  expect(cutting(...START, 'S8000', 'G1 Z-1. F200', 'X5. F800', 'S6000 X6.', ...END)).toEqual([
    ['S8000', 'S6000', 'F200 to 800 mm/min'],
  ])
  expect(cutting(...START, 'G1 Z-1. F200', ...END)).toEqual([['F200 mm/min']])
  expect(cutting(...START, ...END)).toEqual([[]])
})

test('a program that writes an offset itself overwrites what was proven, and is told of', () => {
  expect(told(setup(), ...START, 'G10 L2 P1 X0 Y0 Z0', 'G1 Z-1 F100', ...END)).toEqual([
    '5 writes-offset',
  ])
})

describe('needs beside what is there', () => {
  const needs = (document: SetupDocument, ...lines: readonly string[]) => {
    const solution = solve(document)
    return needsBeside(
      program(...lines),
      document,
      solution,
      stepsOf(document, solution, false),
    ).map(({ operation, onSheet, needs: registers }) => [
      operation.tool,
      onSheet,
      ...registers.map(({ address, state, step }) => `${address} ${state} ${step?.key ?? '-'}`),
    ])
  }
  test('read but not keyed: it is keyed next; keyed: it is proven next', () => {
    expect(needs(setup(), ...START)).toEqual([
      [1, true, 'G54 read key-in:G54.X', 'H1 read key-in:H1'],
    ])
    const keyed = setup({}, [
      shown('H1', '-270.000'),
      shown('G54.X', '-347.300'),
      shown('G54.Y', '-210.000'),
      shown('G54.Z', '-30.000'),
    ])
    expect(needs(keyed, ...START)).toEqual([
      [1, true, 'G54 keyed prove:G54:T1', 'H1 keyed prove:G54:T1'],
    ])
  })
  test('not read yet: its reading is next; of an offset, its least certain axis', () => {
    const begun = { ...workedDocument({}, [leftTouch()]), readBacks: [] }
    expect(needs(begun, ...START)).toEqual([
      [1, true, 'G54 not-read face:G54:front', 'H1 not-read tip-on-plane:T1'],
    ])
  })
  test('what the sheet does not know has no step; H0 is no need', () => {
    expect(needs(setup(), 'T7 M6', 'G57 G43 H7 G0 Z5', 'G43 H0 Z5')).toEqual([
      [7, false, 'G57 not-on-sheet -', 'H7 not-on-sheet -'],
    ])
  })
  test('a wrong H in the program leads nowhere here: it is mended in the program', () => {
    const document = setup()
    const solution = solve(document)
    const reading = program('G21', 'T1 M6', 'G54 G43 H2 G0 Z5')
    const wrong = reading.judgements.find(({ code }) => code === 'length-differs-from-tool')
    expect(mendOf(wrong!, document, stepsOf(document, solution, false))).toBeUndefined()
  })
})

describe('a sheet from a program', () => {
  test('tools with their H and D in the order of use, rows once, the unit', () => {
    expect(
      sheetFromProgram(
        program(
          'G20',
          'T3 M6 (1/2 end mill)',
          'G55 G43 H13 G0 Z1',
          'G41 D3 X1',
          'T1 M6 (drill)',
          'G54 G43 H1 Z1',
          'T3 M6',
          'G54.1 P12 G43 H13 Z1',
          'G59.1 Z1',
          'G54.1 P2 Z1',
          'G54.1 P400 Z1',
        ),
      ),
    ).toEqual({
      unit: 'in',
      tools: [
        { number: 3, name: '1/2 end mill', lengthRegister: 13, diameterRegister: 3 },
        { number: 1, name: 'drill', lengthRegister: 1 },
      ],
      rows: ['G54', 'G55', 'G59.1', 'G54.1 P2', 'G54.1 P12'],
      otherRows: ['G54.1 P400'],
    })
  })
  test('two tools do not share an H, even where the program has a slip', () => {
    const { tools } = sheetFromProgram(
      program('T1 M6', 'G43 H1 G0 Z1', 'T2 M6', 'G43 H1 Z1', 'T3 M6', 'G0 Z1'),
    )
    expect(tools.map(({ lengthRegister }) => lengthRegister)).toEqual([1, 2, 3])
  })

  test('no tool, H0 and D0 are none; a long comment makes a name that fits', () => {
    const { tools } = sheetFromProgram(
      program(
        'G0 X1',
        'T0 M6',
        'G43 H0 Z1',
        `T4 M6 (${'a very long name '.repeat(9)})`,
        'G43 H0 Z1',
        'G41 D0 X1',
      ),
    )
    expect(tools).toEqual([{ number: 4, name: expect.any(String), lengthRegister: 4 }])
    expect(tools[0]?.name.length).toBe(60)
  })
})

describe('the frame of a picture of a program', () => {
  const frame = { width: 300, height: 200, margin: 20 }
  const extents = (X: readonly [number, number], Y: readonly [number, number]) => ({ X, Y })
  const view = (operations: readonly object[], part?: object) =>
    ({ row: 'G54', operations, travels: {}, ...(part && { part }) }) as unknown as ProgramView

  test('the wider of both decides the scale, and the picture lies in the middle', () => {
    // 100 across in 260 pixels, 100 up in 160: the height decides, 1.6 pixels each.
    const square = view([{ tool: 1, extents: extents([0, 100], [0, 100]) }])
    expect(placeProgramView(square, 'Y', frame)).toEqual({
      operations: [{ tool: 1, left: 70, top: 20, width: 160, height: 160 }],
      zero: { x: 70, y: 180 },
      ends: [],
    })
    const flat = view([{ tool: 1, extents: extents([-130, 130], [0, 10]) }])
    expect(placeProgramView(flat, 'Y', frame)).toMatchObject({
      operations: [{ left: 20, width: 260, top: 95, height: 10 }],
      zero: { x: 150, y: 105 },
    })
  })

  test('zero is in the picture though nothing is cut there, and so is the part', () => {
    const away = view([{ tool: 1, extents: extents([100, 200], [50, 60]) }], {
      X: [-60, 60],
      Y: [-40, 40],
    })
    const { zero, part, operations } = placeProgramView(away, 'Y', frame)
    expect(part).toMatchObject({ left: 20, width: 120 })
    expect(zero.x).toBe(80)
    expect(operations[0]).toMatchObject({ left: 180, width: 100 })
    expect(operations[0]!.top).toBeLessThan(part!.top)
  })

  test('a single place is still drawn', () => {
    const hole = view([{ tool: 2, extents: extents([0, 0], [0, 0]) }])
    expect(placeProgramView(hole, 'Y', frame).operations).toEqual([
      { tool: 2, left: 150, top: 100, width: 2, height: 2 },
    ])
  })
})

describe('the picture of what a program reaches', () => {
  const travels = {
    X: { min: mm('-500'), max: mm('0') },
    Z: { min: mm('-400'), max: mm('0') },
  }
  const document = setup({
    machine: { ...workedSheet().machine, travels },
    holding: { jaw: mm('50'), parallels: mm('30') },
  })
  const [view] = programViews(
    program('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z5', 'X100 Y10'),
    document,
    solve(document),
  )
  /** To a hundredth of a pixel. */
  const rounded = (box: object | undefined) =>
    Object.fromEntries(
      Object.entries(box ?? {}).map(([name, at]) => [name, Math.round(Number(at) * 100) / 100]),
    )
  const inMm = (range: readonly [number, number] | undefined) => range?.map((nm) => nm / 1e6)
  test('part, jaws and travels in work position: −500 + 347.3, and −400 + 30 + 270', () => {
    expect(inMm(view!.part?.X)).toEqual([-60, 60])
    expect(inMm(view!.part?.Z)).toEqual([-40, 0])
    expect(view!.jaws).toBe(-20_000_000)
    expect(inMm(view!.travels.X)).toEqual([-152.7, 347.3])
    expect(inMm(view!.travels.Z)).toEqual([-100, 300])
  })
  test('from above: 160 across and 80 up in 200 by 100 pixels are 1.25 to a millimetre', () => {
    const placed = placeProgramView(view!, 'Y', { width: 220, height: 120, margin: 10 })
    expect(rounded(placed.part)).toEqual({ left: 10, top: 10, width: 150, height: 100 })
    expect(rounded(placed.zero)).toEqual({ x: 85, y: 60 })
    expect(placed.operations.map(rounded)).toEqual([
      { tool: 1, left: 85, top: 47.5, width: 125, height: 12.5 },
    ])
    expect(placed.jaws).toBeUndefined()
    expect(placed.ends).toEqual([])
  })
  test('from the front: jaws 20 below zero; an end of travel shows where it comes into the picture', () => {
    // 160 across in 200, 45 up: 1.25 to a millimetre; 56.25 high, so its foot is 60 + 28.125 from above.
    const placed = placeProgramView(view!, 'Z', { width: 220, height: 120, margin: 10 })
    expect(placed.jaws).toBeCloseTo(88.125 - 20 * 1.25, 9)
    const near = {
      ...view!,
      travels: {
        X: [toNanometres(-64_000_000), toNanometres(900_000_000)] as const,
        Z: [toNanometres(-42_000_000), toNanometres(300_000_000)] as const,
      },
    }
    const { ends } = placeProgramView(near, 'Z', { width: 220, height: 120, margin: 10 })
    // X −64 lies 4 left of the part, whose left end stands at 10.
    expect(ends.map(({ axis, at }) => [axis, Math.round(at * 1000)])).toEqual([
      ['X', 5_000],
      ['Z', 90_625],
    ])
    expect(
      placeProgramView({ ...view!, travels: {} }, 'Z', { width: 220, height: 120, margin: 10 })
        .ends,
    ).toEqual([])
  })
  test('in words', () => {
    expect(speakProgramView(view!, (nm) => `${nm / 1e6}`)).toBe(
      'What the program reaches in G54. T1: X 0 to 100, Y 0 to 10, Z 5 to 5. jaws up to Z -20.',
    )
  })
})

test('text is told from what is none', () => {
  const bytes = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0))
  expect(looksLikeText(bytes('%\r\nO1 (\u00e9)\n\tG0 X1\n'))).toBe(true)
  expect(looksLikeText(Uint8Array.of(71, 49, 0, 10))).toBe(false)
  expect(looksLikeText(Uint8Array.from({ length: 100 }, () => 3))).toBe(false)
})

test('where the policy picks, each operation says why its tool is proven, or that it is let go', () => {
  const tools = [
    { number: 1, name: 'mill', lengthRegister: 1, lastLength: mm('80') },
    { number: 2, name: 'drill', lengthRegister: 2 },
    { number: 3, name: 'tap', lengthRegister: 3, lastLength: mm('70') },
  ]
  const reading = program(...START, 'T2 M6', 'G43 H2 Z25.', 'T3 M6', 'G43 H3 Z25.', ...END)
  const because = (changes: Partial<SetupSheet>) => {
    const document = workedDocument({ tools, ...changes }, planeReadings())
    const solution = solve(document)
    const steps = stepsOf(document, solution, false)
    return needsBeside(reading, document, solution, steps).map(({ provenBecause }) => provenBecause)
  }
  const machine = { ...workedSheet().machine, policy: { proves: 'riskiest' } } as const
  // T1 alone is touched, so it is the longest that is known; T2 was never measured.
  expect(because({ machine })).toEqual([['longest'], ['new'], []])
  expect(because({})).toEqual([undefined, undefined, undefined])
})

describe('what a judgement is about is told with it, and nothing that it is not about', () => {
  const { machine } = workedSheet()
  const low = {
    machine: { ...machine, travels: { Z: { min: mm('-305'), max: mm('0') } } },
  }
  const judged = (document: SetupDocument, ...lines: readonly string[]) =>
    judgeAll(program(...lines), document, solve(document))

  test('a move beyond the travel says its tool; before any tool, none', () => {
    const [beyond] = judged(setup(low), ...START, 'G1 Z-10. F100', ...END).filter(
      ({ code }) => code === 'beyond-travel',
    )
    expect(beyond).toMatchObject({ row: 'G54', axis: 'Z', amount: 5e6, tool: 1, line: 5 })
    const early = judged(
      setup(low),
      ...START.filter((one) => one !== 'T1 M6'),
      'G1 Z-10. F100',
      ...END,
    ).filter(({ code }) => code === 'beyond-travel')
    expect(early).toHaveLength(1)
    expect(early[0]).not.toHaveProperty('tool')
  })

  test('of each axis the worst of its ends is told, and each axis by itself', () => {
    const travels = {
      X: { min: mm('-360'), max: mm('-340') },
      Z: { min: mm('-305'), max: mm('0') },
    }
    const told_ = judged(
      setup({ machine: { ...machine, travels } }),
      ...START,
      'G1 X-20. F100',
      'X30.',
      'Z-10.',
      ...END,
    ).flatMap(({ code, axis, amount }) => (code === 'beyond-travel' ? [[axis, amount]] : []))
    // X from −367.3 to −317.3: 7.3 below its travel, and 22.7 above it.
    expect(told_).toEqual([
      ['X', 22_700_000],
      ['Z', 5_000_000],
    ])
  })

  test('a row that is not keyed is told without a tool where all tools share its Z', () => {
    const [row] = judged(setup(), ...START, ...END).filter(({ code }) => code === 'offset-not-set')
    expect(row).toMatchObject({ row: 'G54' })
    expect(row).not.toHaveProperty('tool')
  })

  test('a row that is proven is not told at all', () => {
    const proven = {
      ...setup({}, [
        shown('H1', '-270.000'),
        shown('G54.X', '-347.300'),
        shown('G54.Y', '-210.000'),
        shown('G54.Z', '-30.000'),
      ]),
      proofs: [
        {
          ...fact(),
          row: 'G54' as const,
          tool: 1,
          clearance: mm('25'),
          gap: mm('25'),
          overZero: true,
        },
      ],
    }
    const codes = judged(proven, ...START, 'G1 Z-1. F100', ...END).map(({ code }) => code)
    expect(codes.filter((code) => code.startsWith('offset') || code.startsWith('length'))).toEqual(
      [],
    )
  })
})
