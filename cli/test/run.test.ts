import { readFileSync } from 'node:fs'
import { join } from 'node:path'
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
  expect(out).toContain('H1       80.000 mm  read')
  expect(out).toContain('+ -220.000 mm  machine Z, tip at the touch')
})

describe('files that are not good set-ups', () => {
  const good = () => JSON.parse(fromExamples('setting-plane.json'))

  test('every problem at once, each with its place', () => {
    const bad = good()
    bad.sheet.gauges[0].size.text = '-50'
    bad.sheet.stock.X.text = '1,200'
    bad.readings[1].with = ['sette']
    bad.readings[2].read.text = '1e9'
    const { out, exitCode } = solveJson(JSON.stringify(bad))
    expect(exitCode).toBe(1)
    expect(
      JSON.parse(out).problems.map(({ code, place }: { code: string; place: string }) => [
        code,
        place,
      ]),
    ).toEqual([
      ['length-comma', 'sheet.stock.X'],
      ['length-negative', 'sheet.gauges.0.size'],
      ['reference-unknown', 'readings.1.with'],
      ['length-exponent', 'readings.2.read'],
    ])
  })

  test.each([
    [
      'an unknown axis',
      (bad: ReturnType<typeof good>) => (bad.readBacks[0].address = 'G54.W'),
      'readBacks.0.address',
    ],
    [
      'a wrong unit',
      (bad: ReturnType<typeof good>) => (bad.readings[0].read.unit = 'cm'),
      'readings.0.read.unit',
    ],
    ['a misspelt field', (bad: ReturnType<typeof good>) => (bad.sheet.scool = 'x'), 'sheet.scool'],
    ['no tools', (bad: ReturnType<typeof good>) => (bad.sheet.tools = []), 'sheet.tools'],
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
    err: expect.stringContaining('no command “sole”'),
  })
  expect(run(['solve'], fromExamples).exitCode).toBe(2)
  expect(run(['solve', 'a', '--jason'], fromExamples).err).toContain('--jason')
  expect(run(['solve', 'missing.json'], fromExamples)).toMatchObject({
    exitCode: 3,
    err: expect.stringContaining('missing.json'),
  })
  expect(run([], fromExamples).out).toContain('Usage')
})
