import type { SetupDocument, SetupEvent } from '../src/facts'
import type { CheckOff } from '../src/facts/bodies/check-off'
import { neededFirst, stationTrust, stepsOf } from '../src/plan'
import { standingCheckOff } from '../src/plan/standing-check-off'
import type { OffsetPlan, SetupSheet } from '../src/sheet'
import { checkSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeRestart } from '../src/words'
import {
  event,
  fact,
  leftTouch,
  mm,
  noseTouch,
  setupOf,
  tipTouch,
  workedSheet,
} from './worked-example'

// The whole order of the touches in Z of a set-up, by school and by how each row is found, as a machinist would say it. X, Y and what
// is seen to are the same everywhere.

type ZBy = OffsetPlan['Z']
const [plain] = workedSheet().offsets
if (plain === undefined) throw new Error('the worked sheet has a row')
const facing = mm('0')
const Z = (by: ZBy['by'], more: object = {}): ZBy => ({ by, facing, ...more }) as ZBy

const sheet = (
  school: SetupSheet['school'],
  ways: readonly ZBy[],
  changes: Partial<SetupSheet> = {},
): SetupSheet =>
  workedSheet({
    school,
    tools: [1, 2, 3].map((number) => ({ number, name: `tool ${number}`, lengthRegister: number })),
    offsets: ways.map((way, index) => ({ ...plain, row: index === 0 ? 'G54' : 'G55', Z: way })),
    ...changes,
  })

const { machine } = workedSheet()
const noLengths = {
  machine: {
    ...machine,
    kind: 'router',
    control: { ...machine.control, toolLengths: 'none' },
  } as SetupSheet['machine'],
  tools: [1, 2, 3].map((number) => ({ number, name: `tool ${number}` })),
}

const stepsIn = (document: SetupDocument) => stepsOf(document, solve(document), false)

const order = (of: SetupSheet): readonly string[] =>
  stepsIn(setupOf(of, []))
    .filter(({ step }) => step.does === 'read' && !/^(face|circle)/.test(step.key))
    .map(
      ({ step }) =>
        `${step.station} ${step.key.replace('tip-on-', '').replace('nose-on-', 'nose ')}`,
    )

const planes = (...tools: readonly number[]) => tools.map((tool) => `lengths plane:T${tool}`)
const tops = (...tools: readonly number[]) => tools.map((tool) => `lengths part:G54:T${tool}`)

test.each<[string, SetupSheet, readonly string[]]>([
  [
    'setting plane, the part by a difference',
    sheet('setting-plane', [Z('carried-difference')]),
    [...planes(1, 2, 3), 'height carried-difference:G54'],
  ],
  [
    'setting plane, the part by the nose: the nose on the plane comes first',
    sheet('setting-plane', [Z('nose-on-part')]),
    ['reference nose plane', ...planes(1, 2, 3), 'height nose part:G54'],
  ],
  [
    'setting plane, a later row by its difference from the first',
    sheet('setting-plane', [Z('carried-difference'), Z('fixture-difference', { from: 'G54' })]),
    [...planes(1, 2, 3), 'height carried-difference:G54', 'height fixture-difference:G55:G54'],
  ],
  [
    'setting plane, the part by a tool that was touched',
    sheet('setting-plane', [Z('tool-on-part', { tool: 2 })]),
    [...planes(1, 2, 3), 'height part:G54:T2'],
  ],
  [
    'gauge line, the part by the nose',
    sheet('gauge-line', [Z('nose-on-part')]),
    ['reference nose plane', ...planes(1, 2, 3), 'height nose part:G54'],
  ],
  [
    'gauge line, a sensor of known length finds the plane in place of the nose',
    sheet('gauge-line', [Z('tool-on-part', { tool: 1 })], {
      tools: [
        { number: 1, name: 'sensor', lengthRegister: 1, length: mm('90') },
        { number: 2, name: 'tool 2', lengthRegister: 2 },
      ],
    }),
    [...planes(1, 2), 'height part:G54:T1'],
  ],
  [
    'gauge line on the part itself: the nose there, then each tool',
    sheet('gauge-line', [Z('part-top')]),
    ['lengths nose part:G54', ...tops(1, 2, 3)],
  ],
  [
    'part top, a later row by its difference',
    sheet('part-top', [Z('part-top'), Z('fixture-difference', { from: 'G54' })]),
    [...tops(1, 2, 3), 'height fixture-difference:G55:G54'],
  ],
  [
    'part top, a later row by the nose: the first part is touched by it too',
    sheet('part-top', [Z('part-top'), Z('nose-on-part')]),
    [...tops(1, 2, 3), 'height nose part:G54', 'height nose part:G55'],
  ],
  [
    'part top, a later row by a difference from the plane: one tool touches that as well',
    sheet('part-top', [Z('part-top'), Z('carried-difference')]),
    ['lengths plane:T1', ...tops(1, 2, 3), 'height carried-difference:G55'],
  ],
  [
    'master, its tools on the plane and the part by it',
    sheet('master-tool', [Z('tool-on-part', { tool: 1 })], { reference: { masterTool: 1 } }),
    [...planes(1, 2, 3), 'height part:G54:T1'],
  ],
  [
    'no length registers, tools on the part: each at its stop, nothing before',
    sheet('part-top', [Z('part-top')], noLengths),
    ['stops part:G54:T1', 'stops part:G54:T2', 'stops part:G54:T3'],
  ],
  [
    'no length registers, a later row by its difference: once, before the first stop',
    sheet('part-top', [Z('part-top'), Z('fixture-difference', { from: 'G54' })], noLengths),
    [
      'height fixture-difference:G55:G54',
      'stops part:G54:T1',
      'stops part:G54:T2',
      'stops part:G54:T3',
    ],
  ],
  [
    'no length registers, tools on a plane, the part by its difference',
    sheet('setting-plane', [Z('carried-difference')], noLengths),
    ['height carried-difference:G54', 'stops plane:T1', 'stops plane:T2', 'stops plane:T3'],
  ],
  [
    'no length registers, a row that the second tool finds: it is touched before the first stop',
    sheet('setting-plane', [Z('tool-on-part', { tool: 2 })], noLengths),
    ['height plane:T2', 'height part:G54:T2', 'stops plane:T1', 'stops plane:T3'],
  ],
  [
    'no length registers, a row that the first tool finds: on plane and part when its turn comes',
    sheet('setting-plane', [Z('tool-on-part', { tool: 1 })], noLengths),
    ['stops plane:T1', 'stops part:G54:T1', 'stops plane:T2', 'stops plane:T3'],
  ],
  [
    'no length registers, counted from the nose on the part',
    sheet('gauge-line', [Z('part-top')], noLengths),
    ['height nose part:G54', 'stops part:G54:T1', 'stops part:G54:T2', 'stops part:G54:T3'],
  ],
  [
    'no length registers, a later row by a difference from the plane',
    sheet('part-top', [Z('part-top'), Z('carried-difference')], noLengths),
    [
      'height plane:T1',
      'height carried-difference:G55',
      'stops part:G54:T1',
      'stops part:G54:T2',
      'stops part:G54:T3',
    ],
  ],
])('%s', (_, of, wanted) => {
  expect(checkSheet(of)).toEqual([])
  expect(order(of)).toEqual(wanted)
})

describe('a number that is keyed where it was touched', () => {
  const asKnown = (school: SetupSheet['school'], ways: readonly ZBy[]) =>
    sheet(school, ways, { keying: 'as-known' })
  const waitsFor = (document: SetupDocument, address: string) => {
    const states = stepsIn(document)
    const step = states.find((one) => one.step.key === `key-in:${address}`)?.step
    return step && neededFirst(document.sheet, states, step)?.step.key
  }

  test('waits for the nose, then for its own touch, and for nothing else', () => {
    const of = asKnown('gauge-line', [Z('nose-on-part')])
    expect(waitsFor(setupOf(of, []), 'H1')).toBe('nose-on-plane')
    expect(waitsFor(setupOf(of, [noseTouch()]), 'H1')).toBe('tip-on-plane:T1')
    expect(waitsFor(setupOf(of, [noseTouch(), tipTouch()]), 'H1')).toBeUndefined()
    expect(waitsFor(setupOf(of, [noseTouch(), tipTouch()]), 'H2')).toBe('tip-on-plane:T2')
  })

  test('X waits for its face and not for the height', () => {
    const of = asKnown('setting-plane', [Z('carried-difference')])
    expect(waitsFor(setupOf(of, []), 'G54.X')).toBe('face:G54:left')
    expect(waitsFor(setupOf(of, [leftTouch()]), 'G54.X')).toBeUndefined()
  })
})

describe('what was seen to', () => {
  const seen = (of: CheckOff['of']): CheckOff => ({ ...fact(), of }) as CheckOff
  const undone = (of: CheckOff['of'], happens: () => SetupEvent): boolean => {
    const checkOff = seen(of)
    const document = {
      ...setupOf(workedSheet(), []),
      checkOffs: [checkOff],
      events: [happens()],
    }
    return standingCheckOff(document, of) === undefined
  }
  const lost = () => event({ kind: 'home-lost' })
  const part = () => event({ kind: 'part-changed', row: 'G54' })
  const plane = () => event({ kind: 'plane-moved' })

  test.each<[CheckOff['of'], boolean, boolean, boolean]>([
    ['home', true, false, false],
    ['clean', false, true, false],
    ['holding', false, true, false],
    ['gauges', false, false, false],
    ['air-cut', false, false, false],
    ['first-part', false, false, false],
    ['look', true, true, true],
  ])('%s is undone by a lost home: %s, another part: %s, a moved plane: %s', (of, a, b, c) => {
    expect([undone(of, lost), undone(of, part), undone(of, plane)]).toEqual([a, b, c])
  })

  test('what was seen to after it stands', () => {
    const before = lost()
    const home = seen('home')
    const document = { ...setupOf(workedSheet(), []), checkOffs: [home], events: [before] }
    expect(standingCheckOff(document, 'home')).toBe(home)
    expect(standingCheckOff(document, 'clean')).toBeUndefined()
  })
})

test('a station is as far as its least certain step: read, and not keyed, is no trust in a number', () => {
  const document = setupOf(workedSheet(), [tipTouch(), leftTouch()])
  const states = stepsIn(document)
  expect(states.find(({ step }) => step.key === 'key-in:H1')).toMatchObject({
    done: false,
    trust: 'not-read',
  })
  expect(stationTrust(states, 'lengths')).toBe('read')
  expect(stationTrust(states, 'plan')).toBe('not-read')
})

test('how a program goes on after a break, with what is known of it and of the machine', () => {
  const [cancels] = describeRestart({ sheet: workedSheet(), programs: [] }, 1)
  expect(cancels).toBe('Cancel what is active: G40 G49 G80. Lift Z clear: by hand.')
  const retracts = workedSheet({ machine: { ...machine, retract: 'G53 G0 Z0' } })
  expect(describeRestart({ sheet: retracts, programs: [] }, 1)[0]).toContain('clear: G53 G0 Z0.')
  expect(
    describeRestart({ sheet: sheet('part-top', [Z('part-top')], noLengths), programs: [] }, 1)[0],
  ).toBe('Cancel what is active: G40 G80. Lift Z clear: by hand.')
  expect(describeRestart({ sheet: retracts, programs: [] }, 1)[2]).toContain(
    'the start of its operation: the line that calls it',
  )
})
