import { registerName, type Address } from '../src/address'
import { checkDocument, type Reading, type SetupDocument } from '../src/facts'
import type { CheckOff } from '../src/facts/bodies/check-off'
import { addressParts, controlRow } from '../src/address/address'
import { followingStep, needsBeside, neededFirst, stepsOf } from '../src/plan'
import { readProgram } from '../src/program'
import { setWith } from '../src/registers/set-with'
import { faultsOf, judgeAll, machineExtents } from '../src/running'
import { proofMove, proofsNeeded } from '../src/proof'
import type { SetupSheet } from '../src/sheet'
import { toNanometres } from '../src/length'
import { convertSolution, solve } from '../src/solve'
import { describeCheck, describeRestart, stepName } from '../src/words'
import { wearChange } from '../src/wear'
import { event, fact, mm, readingOf, setupOf as bare, shown, workedSheet } from './worked-example'

// A router whose control keeps no lengths (docs/domain.md, “How it goes at the machine”): one tool at a time, Z again with each, X and Y never.

const router = (changes: Partial<SetupSheet> = {}): SetupSheet =>
  workedSheet({
    machine: {
      name: 'Router',
      kind: 'router',
      control: {
        decimals: { mm: 3, in: 4 },
        lengthKey: 'set',
        workOffsetKey: 'set',
        toolLengths: 'none',
      },
    },
    school: 'part-top',
    tools: [
      { number: 1, name: '6 mm compression bit' },
      { number: 2, name: '60° V bit' },
    ],
    offsets: [{ ...workedSheet().offsets[0]!, Z: { by: 'part-top', facing: mm('0.5') } }],
    ...changes,
  })

/** A tip on the stock top with paper between, 0.09 mm. */
const onTop = (tool: number, read: string) =>
  readingOf<'tip-on-part'>({
    of: 'tip-on-part',
    row: 'G54',
    tool,
    with: ['paper'],
    read: mm(read),
  })

const onBoard = (tool: number, read: string) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, with: ['setter'], read: mm(read) })

const setupOf = (
  sheet: SetupSheet,
  readings: readonly Reading[],
  since: Partial<SetupDocument> = {},
): SetupDocument => ({ ...bare(sheet, readings), ...since })

const cut = (tool: number): CheckOff => ({ ...fact(), of: 'cut', tool })

const stepsIn = (document: SetupDocument) => stepsOf(document, solve(document), false)

const valueAt = (document: SetupDocument, address: string) => {
  const { registers } = solve(document)
  return registers.find((one) => one.address === address)
}

test('Z of a row with a tool is where its tip stands on zero', () => {
  // −82.410 less paper 0.09 is the stock top, zero 0.5 below it.
  const document = setupOf(router(), [onTop(1, '-82.410'), onTop(2, '-74.105')])
  expect(checkDocument(document)).toEqual([])
  const { registers } = solve(document)
  expect(registers.map(({ address }) => address)).toEqual([
    'G54.X',
    'G54.Y',
    'G54.Z.T1',
    'G54.Z.T2',
  ])
  expect(valueAt(document, 'G54.Z.T1')?.value).toBe(-83_000_000)
  expect(valueAt(document, 'G54.Z.T2')?.value).toBe(-74_695_000)
  expect(registerName('G54.Z.T2')).toBe('G54 Z with T2')
})

test('on a setter, the next tools are set by their difference from the first', () => {
  const sheet = router({
    school: 'setting-plane',
    offsets: [
      { ...workedSheet().offsets[0]!, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } },
    ],
  })
  const touches = [onBoard(1, '-60.000'), onTop(1, '-82.410'), onBoard(2, '-51.700')]
  const document = setupOf(sheet, touches)
  expect(valueAt(document, 'G54.Z.T1')?.value).toBe(-82_500_000)
  // T2 is 8.3 mm shorter: its row lies so much higher.
  expect(valueAt(document, 'G54.Z.T2')?.value).toBe(-74_200_000)
  expect(
    stepsIn(document)
      .filter(({ step }) => step.station === 'stops')
      .map(({ step }) => step.key),
  ).toEqual([
    'tip-on-plane:T1',
    'tip-on-part:G54:T1',
    'key-in:G54.Z.T1',
    'prove:G54:T1',
    'air-cut',
    'cut:T1',
    'tip-on-plane:T2',
    'key-in:G54.Z.T2',
    'prove:G54:T2',
    'cut:T2',
  ])
})

test('X and Y first, then each tool is touched, keyed, proven and cuts before the next', () => {
  const keys = stepsIn(
    setupOf(router({ machine: { ...router().machine, policy: { secondLook: true } } }), []),
  )
  expect(keys.map(({ step }) => step.key)).toEqual([
    'home',
    'clean',
    'sheet',
    'gauges',
    'holding',
    'face:G54:left',
    'face:G54:front',
    'key-in:G54.X',
    'key-in:G54.Y',
    'tip-on-part:G54:T1',
    'key-in:G54.Z.T1',
    'prove:G54:T1',
    'air-cut',
    'look:T1',
    'cut:T1',
    'tip-on-part:G54:T2',
    'key-in:G54.Z.T2',
    'prove:G54:T2',
    'look:T2',
    'cut:T2',
    'first-part',
    'record',
  ])
})

test('each row is keyed at the touch that sets it, before the tool goes to the next one', () => {
  const [first] = workedSheet().offsets
  const Z = { by: 'tool-on-part', tool: 1, facing: mm('0') } as const
  const sheet = router({
    school: 'setting-plane',
    tools: [{ number: 1, name: 'mill' }],
    offsets: [
      { ...first!, Z },
      { ...first!, row: 'G55', Z },
      { ...first!, row: 'G56', Z: { by: 'fixture-difference', from: 'G54', facing: mm('0') } },
    ],
  })
  const stops = stepsIn(setupOf(sheet, [])).filter(({ step }) => step.stop === 1)
  expect(stops.map(({ step }) => step.key).slice(0, 7)).toEqual([
    'tip-on-plane:T1',
    'tip-on-part:G54:T1',
    'key-in:G54.Z.T1',
    'key-in:G56.Z.T1',
    'tip-on-part:G55:T1',
    'key-in:G55.Z.T1',
    'prove:G54:T1',
  ])
})

test('a master that cuts later is touched before the first tool can be set', () => {
  const sheet = router({
    school: 'master-tool',
    reference: { masterTool: 2 },
    offsets: [
      { ...workedSheet().offsets[0]!, Z: { by: 'tool-on-part', tool: 2, facing: mm('0') } },
    ],
  })
  const keys = stepsIn(setupOf(sheet, [])).map(({ step }) => step.key)
  expect(keys.slice(keys.indexOf('tip-on-plane:T2'), keys.indexOf('prove:G54:T1'))).toEqual([
    'tip-on-plane:T2',
    'tip-on-part:G54:T2',
    'key-in:G54.X',
    'key-in:G54.Y',
    'tip-on-plane:T1',
    'key-in:G54.Z.T1',
  ])
  const touched = setupOf(sheet, [
    onBoard(2, '-51.700'),
    onTop(2, '-74.110'),
    onBoard(1, '-60.000'),
  ])
  // T2 on zero at −74.2; T1 is 8.3 longer.
  expect(valueAt(touched, 'G54.Z.T1')?.value).toBe(-82_500_000)
})

test('after a break what is cancelled has no length in it', () => {
  expect(describeRestart(setupOf(router(), []), 2)[0]).toMatch(/^Cancel what is active: G40 G80\./)
  expect(describeRestart(bare(workedSheet(), []), 1)[0]).toMatch(/G40 G49 G80\./)
})

test('the next tool waits for the cut, and the cut for everything before it', () => {
  const home: CheckOff = { ...fact(), of: 'home' }
  const homed = setupOf(router(), [], { checkOffs: [home] })
  const waitsFor = (document: SetupDocument, key: string) => {
    const states = stepsIn(document)
    const { step } = states.find((one) => one.step.key === key)!
    return neededFirst(document.sheet, states, step)?.step.key
  }
  expect(waitsFor(homed, 'tip-on-part:G54:T1')).toBeUndefined()
  expect(waitsFor(setupOf(router(), []), 'tip-on-part:G54:T1')).toBe('home')
  expect(waitsFor(homed, 'tip-on-part:G54:T2')).toBe('tip-on-part:G54:T1')
  expect(waitsFor(homed, 'cut:T1')).toBe('clean')
  expect(waitsFor(homed, 'key-in:G54.X')).toBe('face:G54:left')
  const touched = setupOf(router(), [onTop(1, '-82.410')], { checkOffs: [home] })
  expect(followingStep(router(), stepsIn(touched), ['tip-on-part:G54:T1'])?.step.key).toBe(
    'key-in:G54.Z.T1',
  )
})

test('a tool that has cut is through: what moves later asks nothing of it', () => {
  const base = [onTop(1, '-82.410')]
  const cutOnce = setupOf(router(), base, {
    readBacks: [shown('G54.Z.T1', '-83.000')],
    checkOffs: [cut(1)],
  })
  const stateOf = (document: SetupDocument, key: string) =>
    stepsIn(document).find(({ step }) => step.key === key)
  expect(stateOf(cutOnce, 'prove:G54:T1')).toMatchObject({ done: true })
  expect(stateOf(cutOnce, 'cut:T2')).toMatchObject({ done: false })
  const broken = (checkOffs: readonly CheckOff[]) =>
    setupOf(router(), base, {
      readBacks: [shown('G54.Z.T1', '-83.000')],
      checkOffs,
      events: [event({ kind: 'tool-changed', tool: 1 })],
    })
  expect(stateOf(broken([]), 'tip-on-part:G54:T1')).toMatchObject({ done: false, trust: 'stale' })
  expect(stateOf(broken([cut(1)]), 'tip-on-part:G54:T1')).toMatchObject({ done: true })
  // Another part: everything begins again with the first tool.
  const another = setupOf(router(), base, {
    readBacks: [shown('G54.Z.T1', '-83.000')],
    checkOffs: [cut(1)],
    events: [event({ kind: 'part-changed', row: 'G54' })],
  })
  expect(stateOf(another, 'cut:T1')).toMatchObject({ done: false })
  expect(stateOf(another, 'tip-on-part:G54:T1')).toMatchObject({ done: false, trust: 'stale' })
})

test('an adding control counts from what the row was set to with the tool before', () => {
  const sheet = router({
    machine: {
      ...router().machine,
      control: { ...router().machine.control, workOffsetKey: 'add' },
    },
  })
  const document = setupOf(sheet, [onTop(1, '-82.410'), onTop(2, '-74.105')], {
    readBacks: [shown('G54.Z.T1', '-83.000')],
  })
  // From −83.000 up to −74.695.
  expect(valueAt(document, 'G54.Z.T2')?.keyIn?.type).toBe('8.305')
  expect(controlRow('G54.Z.T2')).toBe('G54.Z')
  expect(controlRow('H2')).toBe('H2')
})

test('the number of the tool before, left in the row, is named when it is read back', () => {
  const document = setupOf(router(), [onTop(1, '-82.410'), onTop(2, '-74.105')], {
    readBacks: [shown('G54.Z.T1', '-83.000'), shown('G54.Z.T2', '-83.000')],
  })
  const { readBack, state } = valueAt(document, 'G54.Z.T2')!
  expect(state).toBe('read')
  // What it was set to with T1 is still there: the number was not committed.
  expect(readBack?.causes[0]).toMatchObject({ code: 'not-committed', gives: -83_000_000 })
})

test('a control that asks for the position is told no length, and its row lands right', () => {
  const sheet = router({
    machine: {
      ...router().machine,
      control: { ...router().machine.control, workOffsetKey: 'position' },
    },
  })
  const told = valueAt(setupOf(sheet, [onTop(1, '-82.410')]), 'G54.Z.T1')?.keyIn
  // The tip stands 0.09 above the stock top, which is 0.5 above zero.
  expect(told).toMatchObject({ mode: 'position', type: '0.590' })
  expect(told).not.toHaveProperty('activeLength')
})

test('a proof moves without G43, and ends where the row puts the tip', () => {
  const document = setupOf(router(), [
    onTop(1, '-82.410'),
    readingOf<'face'>({
      of: 'face',
      row: 'G54',
      face: 'left',
      with: ['finder'],
      read: mm('-65'),
    }),
    readingOf<'face'>({
      of: 'face',
      row: 'G54',
      face: 'front',
      with: ['finder'],
      read: mm('-45'),
    }),
  ])
  const move = proofMove(document, solve(document), {
    row: 'G54',
    tool: 1,
    clearance: toNanometres(25e6),
  })
  expect(move?.blocks).toEqual(['G90 G54 G0 X0 Y0', 'G0 Z25.'])
  expect(move?.machine.Z).toBe(-83_000_000 + 25_000_000)
})

test('what is said of it: the cut, a floor, a table that cannot be converted, a register it has not', () => {
  const document = setupOf(router(), [onTop(1, '-82.410')])
  expect(describeCheck(document, 'cut', 1).sentence).toBe(
    'Run the program with T1 until it asks for the next tool.',
  )
  expect(describeCheck(document, 'cut', 2).sentence).toBe('Run the program with T2 to its end.')
  const step = stepsIn(document).find((one) => one.step.key === 'cut:T2')!.step
  expect(stepName(document, step)).toBe('Cut with T2')
  const floor = { feature: 'floor-depth', tool: 2, nominal: mm('5'), measured: mm('5.1') } as const
  expect(wearChange(floor, router())).toEqual({
    ...{ address: 'G54.Z.T2', change: 100_000, share: 1 },
  })
  expect(convertSolution(document, solve(document), 'gauge-line')).toEqual({
    ok: false,
    missing: 'registers',
  })
  const withRegister = router({ tools: [{ number: 1, name: 'bit', lengthRegister: 1 }] })
  expect(checkDocument(setupOf(withRegister, []))).toMatchObject([
    { code: 'length-register-unknown', place: 'sheet.tools.0.lengthRegister', received: 'H1' },
  ])
  const without = workedSheet({ tools: [{ number: 1, name: 'drill' }] })
  expect(checkDocument(setupOf(without, []))).toMatchObject([
    { code: 'length-register-missing', received: 'nothing' },
  ])
})

test('names that a document may point at: Z with each tool, and no Z that all of them share', () => {
  const problem = (address: Address) =>
    checkDocument(setupOf(router(), [], { readBacks: [shown(address, '-83.000')] })).map(
      ({ code }) => code,
    )
  expect(problem('G54.Z.T2')).toEqual([])
  expect(problem('G54.X')).toEqual([])
  expect(problem('G54.Z')).toEqual(['reference-unknown'])
  expect(problem('G54.Z.T3')).toEqual(['reference-unknown'])
  expect(problem('H1')).toEqual(['reference-unknown'])
})

test('an address says its row, its axis and the tool that it is set with', () => {
  expect(addressParts('G54.1 P2.Z.T12')).toEqual({
    of: 'work-offset',
    row: 'G54.1 P2',
    axis: 'Z',
    tool: 12,
  })
  expect(addressParts('G54.X.T1')).toBeUndefined()
})

describe('a program against it', () => {
  const program = [
    'G21 G90 G17 G40 G49 G80 G94',
    'T1 M6',
    'S16000 M3',
    'G54 G0 X0 Y0',
    'Z10.',
    'G1 Z-3. F300',
    'G0 Z10.',
    'M5',
    'T2 M6',
    'G54 G0 X5 Y5',
    'G43 H2 Z10.',
    'G1 Z-0.4 F300',
    'G0 Z10.',
    'M30',
  ].join('\n')
  const reading = readProgram(program)
  const withProgram = (document: SetupDocument): SetupDocument => ({
    ...document,
    programs: [{ ...fact(), name: 'plate.ngc', bytes: 1, sha256: '0', reading }],
  })
  const document = withProgram(
    setupOf(router(), [onTop(1, '-82.410')], { readBacks: [shown('G54.Z.T1', '-83.000')] }),
  )
  const solution = solve(document)

  test('a Z without G43 is right here, and a G43 is looked at', () => {
    const codes = judgeAll(reading, document, solution).map(({ code, tool }) => `${code} T${tool}`)
    expect(reading.judgements.map(({ code }) => code)).toContain('moves-before-length')
    expect(codes).toContain('no-length-registers T2')
    // What else there is to say of the program is said here as well.
    const bare = readProgram('T1 M6\nG54 G0 X0\nZ5.\nM30')
    expect(judgeAll(bare, document, solution).map(({ code }) => code)).toContain('no-unit')
    expect(codes.join()).not.toMatch(/moves-before-length|length-not-set|length-not-cancelled/)
    // X and Y are not read here; each tool is told with the row that it needs.
    expect(codes).toEqual(expect.arrayContaining(['offset-not-set T1', 'offset-not-set T2']))
    // What is only still to be done is no fault.
    expect(
      faultsOf(judgeAll(reading, document, solution), solution).map(({ code }) => code),
    ).toEqual(['no-length-registers'])
  })

  test('what each tool needs is its own Z, with the step that leads there', () => {
    const steps = stepsIn(document)
    const [first, second] = needsBeside(reading, document, solution, steps)
    expect(first?.needs).toMatchObject([{ address: 'G54', state: 'not-read' }])
    expect(second?.needs).toMatchObject([{ address: 'G54', state: 'not-read' }])
    const noPlan = steps.filter(({ step }) => step.station !== 'plan' && step.station !== 'key-in')
    const later = needsBeside(reading, document, solution, noPlan)[1]
    expect(later?.needs[0]?.step?.key).toBe('tip-on-part:G54:T2')
  })

  test('how far it reaches is told with the row as it was set with the tool', () => {
    const [operation] = reading.operations
    expect(machineExtents(operation!, document, solution)).toMatchObject([
      { row: 'G54', extents: { Z: [-86_000_000, -73_000_000] } },
    ])
  })

  test('only what the program calls is set: a tool in the rows that it uses, in the order of the sheet', () => {
    const [first] = router().offsets
    const sheet = router({
      tools: [...router().tools, { number: 7, name: 'probe' }],
      offsets: [
        first!,
        { ...first!, row: 'G55', Z: { by: 'fixture-difference', from: 'G54', facing: mm('0') } },
      ],
    })
    expect(setWith(setupOf(sheet, [])).map(({ address }) => address)).toEqual([
      'G54.Z.T1',
      'G55.Z.T1',
      'G54.Z.T2',
      'G55.Z.T2',
      'G54.Z.T7',
      'G55.Z.T7',
    ])
    expect(setWith(withProgram(setupOf(sheet, []))).map(({ address }) => address)).toEqual([
      'G54.Z.T1',
      'G54.Z.T2',
    ])
    expect(
      stepsIn(withProgram(setupOf(sheet, []))).flatMap(({ step }) =>
        step.key.startsWith('cut') ? [step.key] : [],
      ),
    ).toEqual(['cut:T1', 'cut:T2'])
    expect(describeCheck(withProgram(setupOf(sheet, [])), 'cut', 1).points.slice(0, 2)).toEqual([
      'Look before the start: T1 is in the spindle, and the control says T1.',
      'plate.ngc: from line 2 to line 9, where it stops.',
    ])
  })
})

test('what is proven: every number that is typed, or where the policy picks, the risky tools and each row once', () => {
  const [first] = router().offsets
  const changes = {
    tools: [
      { number: 1, name: 'one', lastLength: mm('40') },
      { number: 2, name: 'two', lastLength: mm('40') },
      { number: 3, name: 'three' },
    ],
    offsets: [
      first!,
      { ...first!, row: 'G55', Z: { by: 'fixture-difference', from: 'G54', facing: mm('0') } },
    ],
  } as const
  const proofsOf = (sheet: SetupSheet, readings: readonly Reading[] = []) => {
    const document = setupOf(sheet, readings)
    return proofsNeeded(document, solve(document)).map(({ row, tool, because }) =>
      `${row} T${tool} ${because.join(' ')}`.trim(),
    )
  }
  expect(proofsOf(router(changes))).toEqual([
    'G54 T1',
    'G55 T1',
    'G54 T2',
    'G55 T2',
    'G54 T3',
    'G55 T3',
  ])
  const riskiest = router({
    ...changes,
    machine: { ...router().machine, policy: { proves: 'riskiest' } },
  })
  // T2 reaches furthest: its row stands highest.
  const touched = [onTop(1, '-82.410'), onTop(2, '-74.105'), onTop(3, '-80')]
  expect(proofsOf(riskiest, touched)).toEqual([
    'G54 T1 row',
    'G55 T1 row',
    'G54 T2 longest',
    'G55 T2 longest',
    'G54 T3 new',
    'G55 T3 new',
  ])
  // One that was measured before and reaches no further than others is let go, but for the first of each row.
  const known = {
    ...changes,
    tools: changes.tools.map((tool) => ({ ...tool, lastLength: mm('40') })),
  }
  const letGo = router({
    ...known,
    machine: { ...router().machine, policy: { proves: 'riskiest' } },
  })
  expect(proofsOf(letGo, touched)).toEqual([
    'G54 T1 row',
    'G55 T1 row',
    'G54 T2 longest',
    'G55 T2 longest',
  ])
})
