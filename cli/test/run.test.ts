import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { solutionViewSchema } from '@pine/contract'
import { run } from '../src/run'

const examples = join(__dirname, '../../docs/examples')
const fromExamples = (path: string) => readFileSync(join(examples, path), 'utf8')
const solveJson = (text: string) => run(['solve', 'x.json', '--json'], () => text)
const registersOf = (file: string) => {
  const view = solutionViewSchema.parse(
    JSON.parse(run(['solve', file, '--json'], fromExamples).out),
  )
  return Object.fromEntries(view.registers.map(({ address, value }) => [address, value]))
}

test('the worked numbers, both schools, on the command line', () => {
  expect(registersOf('setting-plane.json')).toEqual({
    H1: '-270.000',
    'G54.X': '-347.300',
    'G54.Y': '-250.000',
    'G54.Z': '-30.000',
  })
  expect(registersOf('gauge-line.json')).toEqual({
    H1: '80.000',
    'G54.X': '-347.298',
    'G54.Y': '-250.000',
    'G54.Z': '-380.000',
  })
})

// Worked by hand: walls at −318.01 and −281.98 (the left one met moving minus, the right one moving plus
// against 0.01 of backlash) with the middle at −299.995; a corner turned by atan(0.01), its lines crossed by Cramer's rule.
// A 0.1 shim under tips at −299.9 and −318.45; a master 15 longer than the tool; a plate of 0.5 in with
// a wall of 0.25 and a pin of 0.25; a dial that reads 0.01 more
// than the middle on the left moves the axis 0.01 to the right, one that reads 0.004 more in front moves it back.
test.each([
  [
    'part-top.json',
    { H1: '-300.000', H2: '-318.550', 'G54.X': '-347.300', 'G54.Y': '-250.000', 'G54.Z': '-0.500' },
  ],
  [
    'master-tool-two-fixtures.json',
    {
      H1: '-15.000',
      H9: '0.000',
      'G54.X': '-347.300',
      'G54.Y': '-250.000',
      'G54.Z': '-285.000',
      'G55.X': '-147.310',
      'G55.Y': '-250.020',
      'G55.Z': '-286.800',
    },
  ],
  [
    'sensor-and-events.json',
    {
      H1: '80.000',
      D1: '4.992',
      H20: '74.330',
      'G54.X': '-347.300',
      'G54.Y': '-250.000',
      'G54.Z': '-372.300',
    },
  ],
  ['router-plate.json', { H1: '-3.6810', 'G54.X': '3.0000', 'G54.Y': '1.5000', 'G54.Z': '0.7500' }],
  [
    'bore-and-sweep.json',
    {
      H1: '80.000',
      'G54.X': '-347.300',
      'G54.Y': '-210.000',
      'G54.Z': '-380.000',
      'G55.X': '-147.290',
      'G55.Y': '-209.996',
      'G55.Z': '-381.800',
    },
  ],
  [
    'slot-halved.json',
    { H1: '-270.000', 'G54.X': '-299.995', 'G54.Y': '-210.012', 'G54.Z': '-30.500' },
  ],
  [
    'turned-corner.json',
    {
      H1: '80.000',
      'G54.X': '-399.498',
      'G54.Y': '-250.195',
      'G54.Z': '-380.000',
      'G55.Z': '-300.000',
    },
  ],
  [
    'whole-run.json',
    { H1: '-271.350', 'G54.X': '-347.300', 'G54.Y': '-250.000', 'G54.Z': '-30.000' },
  ],
])('the example %s', (file, expected) => {
  expect(registersOf(file)).toEqual(expected)
})

test('a whole run is proven, and only its release is left', () => {
  const view = solutionViewSchema.parse(
    JSON.parse(run(['solve', 'whole-run.json', '--json'], fromExamples).out),
  )
  expect(view.registers.map(({ state }) => state)).toEqual(Array(4).fill('proven'))
  expect(view.proofs).toEqual([{ row: 'G54', tool: 1, right: true, says: expect.any(String) }])
  expect(view.missing).toEqual(['record'])
})

test('JSON carries state, trace and warnings', () => {
  const view = solutionViewSchema.parse(
    JSON.parse(run(['solve', 'setting-plane.json', '--json'], fromExamples).out),
  )
  expect(view.registers[0]).toMatchObject({ address: 'H1', unit: 'mm', state: 'keyed' })
  expect(view.registers[0]?.trace).toMatchObject([
    {
      role: 'tip-at-contact',
      text: '-220.000',
      coefficient: 1,
      adds: '-220.0000',
      by: 'Mira Toller',
    },
    { role: 'gauge-beneath', name: '50 mm setter', coefficient: -1, adds: '-50.0000' },
  ])
  expect(view.warnings).toMatchObject([{ code: 'read-back-differs', place: 'G54.Z' }])
  expect(view.warnings[0]?.message).toContain('60.000 mm')
})

test('the table shows each register as a sum', () => {
  const { out, exitCode } = run(['solve', 'gauge-line.json'], fromExamples)
  expect(exitCode).toBe(0)
  expect(out).toMatch(/H1 +80\.000 mm {2}±0\.00\d\d {2}read/)
  expect(out).toContain(' \u2212220.000 mm  machine Z, tip at the touch')
})

describe('files that are not good set-ups', () => {
  const good = () => JSON.parse(fromExamples('setting-plane.json'))

  test('every problem at once, each with its place', () => {
    const bad = good()
    bad.facts[0].body.gauges[0].size.text = '-50'
    bad.facts[0].body.stock.X.text = '1,200'
    bad.facts[2].body.with = ['sette']
    bad.facts[3].body.read.text = '1e9'
    const { out, exitCode } = solveJson(JSON.stringify(bad))
    expect(exitCode).toBe(1)
    expect(
      JSON.parse(out).problems.map(({ code, place }: { code: string; place: string }) => [
        code,
        place,
      ]),
    ).toEqual([
      ['length-comma', 'facts.0.body.stock.X'],
      ['length-negative', 'facts.0.body.gauges.0.size'],
      ['reference-unknown', 'facts.2.body.with.0'],
      ['length-exponent', 'facts.3.body.read'],
    ])
  })

  test.each([
    [
      'an unknown axis',
      (bad: ReturnType<typeof good>) => (bad.facts[6].body.address = 'G54.W'),
      'facts.6.body.address',
    ],
    [
      'a wrong unit',
      (bad: ReturnType<typeof good>) => (bad.facts[1].body.read.unit = 'cm'),
      'facts.1.body.read.unit',
    ],
    [
      'a misspelt field',
      (bad: ReturnType<typeof good>) => (bad.facts[0].body.scool = 'x'),
      'facts.0.body.scool',
    ],
    [
      'no tools',
      (bad: ReturnType<typeof good>) => (bad.facts[0].body.tools = []),
      'facts.0.body.tools',
    ],
    ['another version', (bad: ReturnType<typeof good>) => (bad.version = 9), 'version'],
  ])('%s is found at its place', (_, spoil, place) => {
    const bad = good()
    spoil(bad)
    const { out, exitCode } = solveJson(JSON.stringify(bad))
    expect(exitCode).toBe(1)
    expect(JSON.parse(out).problems).toMatchObject([{ place, remedy: expect.stringMatching(/./) }])
  })

  test.each(['', '{', 'hello', '[1,2]', 'null'])('%j is refused in words', (text) => {
    const { err, exitCode } = run(['solve', 'x.json'], () => text)
    expect(exitCode).toBe(1)
    expect(err).toMatch(/expected .+; got .+/)
  })
})

test('calls that are not understood say how to call', () => {
  expect(run(['sole'], fromExamples)).toMatchObject({
    exitCode: 2,
    err: expect.stringMatching(/pine: unknown command 'sole'\n.*solve.*\n\nUsage: pine/s),
  })
  expect(run(['solve'], fromExamples)).toMatchObject({
    exitCode: 2,
    err: expect.stringMatching(/missing required argument 'FILE'\n\nUsage: pine solve/),
  })
  expect(run(['solve', 'a', '--jason'], fromExamples).err).toContain('--jason')
  expect(run(['solve', 'gauge-line.json', 'b'], fromExamples)).toMatchObject({
    exitCode: 2,
    out: '',
  })
  expect(run(['solve', 'missing.json'], fromExamples)).toMatchObject({
    exitCode: 3,
    err: expect.stringContaining('missing.json'),
  })
  expect(run([], fromExamples).out).toContain('Usage')
})

describe('explain', () => {
  test('how a register came, how sure it is, and its ladder', () => {
    const { out } = run(['explain', 'gauge-line.json', 'H1'], fromExamples)
    expect(out).toContain('H1 = 80.000 mm (read)')
    expect(out).toContain('− (−300.000) mm  machine Z, bare nose at the touch')
    expect(out).toMatch(/sure to ±0\.00\d\d mm \(95 %, k = 2\.00\)/)
    expect(out).toMatch(/nose ─+ -220\.000\n.*tip ─+ -300\.000\n.*plane ─+ -350\.000/)
  })
  test('beside the need that the register is judged by, with what to do', () => {
    const { out } = run(['explain', 'sensor-and-events.json', 'G54.Z'], fromExamples)
    expect(out).toContain('need ±0.020 mm: not sure enough')
    expect(out).toMatch(/better: .*(times|instead|decimals)/)
    expect(run(['explain', 'sensor-and-events.json', 'G54.X'], fromExamples).out).toContain(
      'need ±0.050 mm',
    )
  })
  test('a register that is not there is said', () => {
    expect(run(['explain', 'gauge-line.json', 'H9'], fromExamples)).toMatchObject({
      exitCode: 2,
      err: expect.stringContaining('“H9”'),
    })
  })
})

describe('convert', () => {
  test('to the other school, every sum as it was', () => {
    const { out } = run(
      ['convert', 'gauge-line.json', '--to', 'setting-plane', '--json'],
      fromExamples,
    )
    expect(JSON.parse(out)).toEqual({
      school: 'setting-plane',
      registers: [
        { address: 'H1', unit: 'mm', value: '-270.000' },
        { address: 'G54.Z', unit: 'mm', value: '-30.000' },
      ],
    })
  })
  test('what is missing for it is said', () => {
    expect(run(['convert', 'gauge-line.json', '--to', 'master-tool'], fromExamples)).toMatchObject({
      exitCode: 1,
      err: expect.stringContaining('master tool'),
    })
    expect(run(['convert', 'gauge-line.json', '--to', 'other'], fromExamples).exitCode).toBe(2)
  })
})

describe('slip', () => {
  test('by the numbers alone', () => {
    expect(
      run(['slip', '--expected', '-30.000', '--observed', '30.000'], fromExamples).out,
    ).toContain('1. The sign is turned')
    expect(run(['slip', '--expected', '-30', '--observed', '-30'], fromExamples).out).toContain(
      'equal',
    )
    expect(run(['slip', '--expected', '-30', '--observed', '-77.123'], fromExamples).out).toContain(
      'No slip of the known kinds',
    )
  })
  test('with a file, by the terms of its register, ties side by side', () => {
    const { out } = run(
      ['slip', '--expected', '-270.000', '--observed', '-220.000', '--with', 'setting-plane.json'],
      fromExamples,
    )
    expect(out).toContain('H1:\n1. What lay between was forgotten (50 mm setter)')
    expect(out).toContain(' or A raw machine position was stored')
  })
  test.each([
    [['--observed', '1']],
    [['--expected', 'x', '--observed', '1']],
    [['--expected', '1', '--observed', '2', '--unit', 'cm']],
  ])('%j is not understood', (args) => {
    expect(run(['slip', ...args], fromExamples).exitCode).toBe(2)
  })
})

test('the kept JSON Schema is the one that is made', () => {
  expect(JSON.parse(readFileSync(join(examples, '../setup-file.schema.json'), 'utf8'))).toEqual(
    JSON.parse(run(['schema'], fromExamples).out),
  )
})

describe('pine read', () => {
  test('tells what a program needs, and finds nothing in a clean one with a proven set-up', () => {
    const { out, exitCode } = run(['read', 'focuser.ngc', '--with', 'whole-run.json'], fromExamples)
    expect(exitCode).toBe(0)
    expect(out).toContain('T1 10 mm end mill  H 1  D –')
    // The half circle at the right bulges by its radius beyond X60.
    expect(out).toContain('G54  X -70.000 … 70.000   Y 10.000 … 30.000   Z -0.500 … 25.000 mm')
    // G54 lies at −347.3, −250, −30; H1 holds −271.35.
    expect(out).toContain(
      'machine, G54  X -417.300 … -277.300   Y -240.000 … -220.000   Z -301.850 … -276.350 mm',
    )
    expect(out).toContain('S4000   F200 to 600 mm/min   at feed')
    expect(out).not.toMatch(/DANGER|LOOK|NOTE/)
  })

  test('finds each planted fault at its line', () => {
    const view = JSON.parse(
      run(['read', 'focuser-faulty.ngc', '--with', 'whole-run.json', '--json'], fromExamples).out,
    ) as { judgements: { code: string; line: number }[] }
    expect(view.judgements.map(({ line, code }) => `${line} ${code}`).sort()).toEqual(
      [
        '5 length-differs-from-tool',
        '5 length-not-set',
        '6 reaches-jaws',
        '7 diameter-not-set',
        '8 compensation-not-cancelled',
        '8 length-not-cancelled',
        '8 tool-not-on-sheet',
        '9 offset-not-on-sheet',
        '10 moves-before-length',
        '13 no-safe-line',
      ].sort(),
    )
  })

  test('a program that is not there is told like any other file', () => {
    expect(run(['read', 'nothing.ngc'], fromExamples).exitCode).toBe(3)
  })
})

test('the printed sum leaves out what was declared to be zero, and keeps every reading', () => {
  const { out } = run(['solve', 'tool-by-tool.json'], fromExamples)
  expect(out).toContain('G54.Z.T1  -44.160 mm')
  expect(out).toContain('−31.460 mm  machine Z, tip at the touch (tip-on-part:G54:T1)')
  expect(out).not.toMatch(/facing|backlash| 0 mm/)
})

test('the life of a set-up is told from its beginning, a line for each fact, none without words', () => {
  const { out, exitCode } = run(['log', 'whole-run.json'], fromExamples)
  expect(exitCode).toBe(0)
  const lines = out.trimEnd().split('\n')
  const { facts } = JSON.parse(fromExamples('whole-run.json')) as { facts: { at: string }[] }
  expect(lines.map((line) => line.split('  ')[0])).toEqual(facts.map(({ at }) => at))
  for (const line of lines) expect(line).toMatch(/^\S+ {2}[\w ]+: \S.{4,}$/)
  expect(lines[0]).toMatch(/The set-up “A whole run.*” was begun\.$/)
  expect(out).toContain('H1 shows −271.350 mm.')
})

test('a file of a set-up comes out by its name; a sheet on paper as bytes', async () => {
  const export_ = (...more: string[]) =>
    run(
      ['export', 'whole-run.json', ...more],
      fromExamples,
      undefined,
      () => new Date('2026-11-30T14:05:00Z'),
    )
  expect(export_('--as', 'registers-table').out).toContain('\r\nH1,T1,-271.350,proven,')
  expect(export_('--as', 'offset-program', '--by', 'Ansel').out).toContain(
    '(WRITTEN FOR ANSEL, 30 NOV 2026',
  )
  expect(export_('--as', 'secrets')).toMatchObject({ exitCode: 2, out: '' })
  expect(export_('--as', 'set-up-sheet', '--paper', 'A0').exitCode).toBe(2)
  const { bytes } = export_('--as', 'set-up-sheet', '--paper', 'Letter')
  const pieces: Buffer[] = []
  for await (const piece of (await bytes!()) as AsyncIterable<Buffer>) pieces.push(piece)
  expect(Buffer.concat(pieces).toString('latin1')).toMatch(/^%PDF-[^]*\/MediaBox \[0 0 612 792\]/)
  const { bytes: drawn } = export_('--as', 'ladder-picture')
  const [png] = await ((await drawn!()) as Readable).toArray()
  expect(Buffer.from(png as Uint8Array).toString('latin1')).toMatch(/^\x89PNG\r\n\x1a\n/)
})
