import { type Reading } from '../src/facts'
import { waysOfZ, type School } from '../src/schools'
import { type SetupSheet } from '../src/sheet'
import { convertSolution, solve } from '../src/solve'
import { type Conversion } from '../src/solve/convert-solution'
import { describeGap } from '../src/words'
import { mm, noseTouch, readingOf, tipTouch, workedDocument, workedSheet } from './worked-example'

// The worked case of docs/domain.md, “The relation and the schools”: nose to table 500, part 120 high, block 150 high, tool 80, master 95: plane at −350, raw
// top at −380. T1 is the tool, T2 the master.
const NOSE = readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm('-350.000'), with: [] })
const tip = (tool: number, read: string) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, read: mm(read), with: [] })
const onPart = (tool: number, read: string) =>
  readingOf<'tip-on-part'>({ of: 'tip-on-part', tool, row: 'G54', read: mm(read), with: [] })
const NOSE_ON_PART = readingOf<'nose-on-part'>({
  of: 'nose-on-part',
  row: 'G54',
  read: mm('-380.000'),
  with: [],
})
const CARRIED = readingOf<'carried-difference'>({
  of: 'carried-difference',
  row: 'G54',
  zeroedOn: 'plane',
  withOnPlane: [],
  read: mm('-30.000'),
  with: [],
})

const sheetOf = (school: School, changes: Partial<SetupSheet> = {}): Partial<SetupSheet> => ({
  school,
  reference: { masterTool: 2 },
  tools: [
    { number: 1, name: 'tool', lengthRegister: 1 },
    { number: 2, name: 'master', lengthRegister: 2 },
  ],
  offsets: [
    {
      ...workedSheet().offsets[0]!,
      Z: { by: school === 'part-top' ? 'part-top' : 'carried-difference', facing: mm('0') },
    },
  ],
  ...changes,
})

function convert(from: School, to: School, readings: readonly Reading[], changes = {}): Conversion {
  const document = workedDocument(sheetOf(from, changes), readings)
  return convertSolution(document, solve(document), to)
}

const shown = (conversion: Conversion) =>
  conversion.ok
    ? Object.fromEntries(
        [...conversion.table.lengths, ...conversion.table.offsets].map(([address, nm]) => [
          address,
          nm / 1e6,
        ]),
      )
    : conversion.missing

const AS: Readonly<Record<School, Readonly<Record<string, number>>>> = {
  'part-top': { H1: -300, H2: -285, 'G54.Z': 0 },
  'setting-plane': { H1: -270, H2: -255, 'G54.Z': -30 },
  'gauge-line': { H1: 80, H2: 95, 'G54.Z': -380 },
  'master-tool': { H1: -15, H2: 0, 'G54.Z': -285 },
}
const SCHOOLS = Object.keys(AS) as School[]
const ON_PLANE = [NOSE, tip(1, '-270.000'), tip(2, '-255.000'), CARRIED]
const ON_PART = [onPart(1, '-300.000'), onPart(2, '-285.000')]

describe.each(SCHOOLS)('the worked case to %s', (to) => {
  test.each(SCHOOLS.filter((from) => from !== 'part-top'))('from %s, by the plane', (from) => {
    expect(shown(convert(from, to, ON_PLANE))).toEqual(AS[to])
  })
  test('from part top, where one tool touched the plane as well', () => {
    expect(
      shown(convert('part-top', to, [...ON_PART, tip(1, '-270.000'), NOSE, tip(2, '-255.000')])),
    ).toEqual(AS[to])
  })
})

describe('from part top, with nothing on the plane', () => {
  test('to the gauge line by the nose on the part, to the master by its own touch there', () => {
    expect(shown(convert('part-top', 'gauge-line', [...ON_PART, NOSE_ON_PART]))).toEqual(
      AS['gauge-line'],
    )
    expect(shown(convert('part-top', 'master-tool', ON_PART))).toEqual(AS['master-tool'])
    expect(shown(convert('part-top', 'part-top', ON_PART))).toEqual(AS['part-top'])
  })
  test('a constant and a declared master count there as well', () => {
    const reference = { masterTool: 2, constant: mm('150'), masterLength: mm('95') }
    expect(
      shown(convert('part-top', 'gauge-line', [...ON_PART, NOSE_ON_PART], { reference })),
    ).toEqual({ H1: -70, H2: -55, 'G54.Z': -230 })
    expect(shown(convert('part-top', 'master-tool', ON_PART, { reference }))).toEqual({
      H1: 80,
      H2: 95,
      'G54.Z': -380,
    })
  })
  test.each([
    ['gauge-line', 'nose', 'bare nose was touched neither'],
    ['setting-plane', 'part-top', 'touch one tool on both'],
  ] as const)('to %s the %s is missing', (to, missing, words) => {
    const conversion = convert('part-top', to, ON_PART)
    expect(shown(conversion)).toBe(missing)
    expect(conversion.ok ? '' : describeGap(conversion.missing)).toContain(words)
  })
})

test.each([
  ['setting-plane', 'gauge-line', [tip(1, '-270.000'), CARRIED], 'nose'],
  ['setting-plane', 'master-tool', [tip(1, '-270.000'), CARRIED], 'master'],
  ['setting-plane', 'part-top', [tip(1, '-270.000')], 'part-top'],
  ['gauge-line', 'setting-plane', [], 'lengths'],
  ['part-top', 'part-top', [NOSE_ON_PART], 'lengths'],
] as const)('from %s to %s with too little read: %#', (from, to, readings, missing) => {
  expect(shown(convert(from, to, readings))).toBe(missing)
})

test('a register that is not read is left out, and a row that keeps the plane is the same in every school', () => {
  const reference = { masterTool: 2, planeRow: 'G59' } as const
  const conversion = convert('gauge-line', 'setting-plane', [noseTouch(), tipTouch()], {
    reference,
  })
  expect(shown(conversion)).toEqual({ H1: -270 })
})

test('a control that subtracts gets its lengths with its own sign, into its own school as well', () => {
  const { machine } = workedSheet()
  const changes = {
    machine: { ...machine, control: { ...machine.control, lengthSign: 'subtracted' as const } },
  }
  expect(shown(convert('gauge-line', 'setting-plane', ON_PLANE, changes))).toEqual({
    H1: 270,
    H2: 255,
    'G54.Z': -30,
  })
  expect(shown(convert('gauge-line', 'gauge-line', ON_PLANE, changes))).toEqual({
    H1: -80,
    H2: -95,
    'G54.Z': -380,
  })
})

test.each<[School, number, readonly string[]]>([
  ['gauge-line', 0, ['carried-difference', 'nose-on-part', 'tool-on-part', 'part-top']],
  ['setting-plane', 0, ['carried-difference', 'nose-on-part', 'tool-on-part']],
  [
    'setting-plane',
    2,
    ['carried-difference', 'nose-on-part', 'tool-on-part', 'fixture-difference'],
  ],
  ['part-top', 0, ['part-top', 'carried-difference', 'nose-on-part', 'tool-on-part']],
  ['part-top', 1, ['fixture-difference', 'tool-on-part', 'nose-on-part', 'carried-difference']],
])('the ways of Z under %s at place %i', (school, place, ways) => {
  expect(waysOfZ(school, place)).toEqual(ways)
})
