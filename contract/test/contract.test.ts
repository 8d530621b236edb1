import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { appendFact, factIds, foldSetup } from '@pine/core/facts'
import { toNanometres } from '@pine/core/length'
import { PROBLEM_CODES } from '@pine/core/problem'
import { WARNING_CODES } from '@pine/core/registers'
import { SLIP_CODES } from '@pine/core/slips'
import { solve } from '@pine/core/solve'
import { describeCause, describeProblem, describeWarning } from '@pine/core/words'
import {
  factWords,
  newFactSchema,
  parseSetupFile,
  parseSetupText,
  reportProblem,
  SETUP_FACT_KINDS,
  solutionViewSchema,
  viewSolution,
} from '../src'

const example = (file: string) => readFileSync(join(__dirname, '../../docs/examples', file), 'utf8')
const FILES = readdirSync(join(__dirname, '../../docs/examples')).filter((file) =>
  file.endsWith('.json'),
)

test.each(FILES)('%s is a good set-up file, and its solution fits its own schema', (file) => {
  const parsed = parseSetupText(example(file))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  const view = viewSolution(parsed.document, solve(parsed.document))
  expect(solutionViewSchema.parse(JSON.parse(JSON.stringify(view)))).toEqual(view)
  expect(view.registers.filter(({ value }) => value === null)).toEqual([])
})

test('a file that is no JSON is told with what came, and at most the beginning of it', () => {
  const received = (text: string) => {
    const parsed = parseSetupText(text)
    return parsed.ok
      ? undefined
      : parsed.problems.map((problem) => [problem.code, problem.received])
  }
  expect(received('  \n ')).toEqual([['not-json', 'nothing']])
  expect(received('  { "facts": [ ')).toEqual([['not-json', '{ "facts": [']])
  expect(received(`{${'a'.repeat(100)}`)).toEqual([['not-json', `{${'a'.repeat(59)}`]])
})

test.each([[null], ['text'], [7], [[]], [{}], [{ version: 2 }], [{ version: '1' }]])(
  '%j is no file of any version, and is told as one of today',
  (input) => {
    const parsed = parseSetupFile(input)
    if (parsed.ok) throw new Error('it was taken')
    // Whatever is wrong is told of the file of version 2: facts, and no lists of readings.
    expect(parsed.problems.some(({ place }) => /readings|keyIns/.test(place))).toBe(false)
    expect(parsed.problems.length).toBeGreaterThan(0)
  },
)

test('a file that says version 1 is told as one of that version', () => {
  const parsed = parseSetupFile({ version: 1 })
  if (parsed.ok) throw new Error('it was taken')
  expect(parsed.problems.some(({ place }) => place === 'readings')).toBe(true)
})

test('what was received is repeated back whole up to 120 characters', () => {
  const received = (length: number) =>
    reportProblem({ code: 'length-not-a-number', place: 'read', received: '9'.repeat(length) })
      .received
  expect(received(120)).toBe('9'.repeat(120))
  expect(received(121)).toBe(`${'9'.repeat(120)}…`)
})

test('a trace says who read a number and when; what was declared has neither', () => {
  const parsed = parseSetupText(example('tool-by-tool.json'))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  const view = viewSolution(parsed.document, solve(parsed.document))
  const trace = view.registers.find(({ address }) => address === 'G54.Z.T1')!.trace
  const tip = trace.find(({ name }) => name === 'tip-on-part:G54:T1')
  expect(tip).toMatchObject({ by: 'Ansel Okoro', at: '2026-03-04T08:09:00Z', adds: '-31.4600' })
  const plate = trace.find(({ name }) => name === 'contact plate')!
  expect(plate).toMatchObject({ adds: '-12.7000' })
  expect('by' in plate || 'at' in plate).toBe(false)
})

test('every field of a document is needed or known: leaving one out is told at its place', () => {
  const whole = JSON.parse(example('setting-plane.json'))
  for (const field of Object.keys(whole)) {
    const { [field]: _left, ...rest } = whole
    const parsed = parseSetupFile(rest)
    expect(parsed).toMatchObject({ ok: false, problems: [{ place: field, received: 'nothing' }] })
  }
})

test('several problems are told in one pass, with what came', () => {
  const bad = JSON.parse(example('setting-plane.json'))
  const { body: sheet } = bad.facts[0]
  sheet.unit = 'furlong'
  sheet.tools[0].number = -1
  bad.facts[1].body.of = 'elsewhere'
  const parsed = parseSetupFile(bad)
  expect(parsed.ok ? [] : parsed.problems.map(({ place, received }) => [place, received])).toEqual([
    ['facts.0.body.unit', 'furlong'],
    ['facts.0.body.tools.0.number', '-1'],
    ['facts.1.body.of', 'elsewhere'],
  ])
})

test('a stream that does not begin with a sheet is no set-up', () => {
  const bad = JSON.parse(example('setting-plane.json'))
  bad.facts.reverse()
  expect(parseSetupFile(bad)).toMatchObject({ ok: false, problems: [{ place: 'facts.0.kind' }] })
})

test('a long value is not repeated back at full length', () => {
  const parsed = parseSetupFile({
    ...JSON.parse(example('setting-plane.json')),
    format: 'x'.repeat(5000),
  })
  expect(parsed.ok ? '' : parsed.problems[0]?.received.length).toBeLessThan(130)
})

// Words are kept in one catalogue; the lists come from the source, so that none can be forgotten.
describe('every code has words of its own', () => {
  const allDiffer = (texts: readonly string[]) => {
    for (const text of texts) expect(text).not.toMatch(/undefined|null|NaN|\?\?/)
    expect(new Set(texts).size).toBe(texts.length)
  }

  test('a problem: what is wrong, what was expected, what to do', () => {
    const words = PROBLEM_CODES.map((code) =>
      describeProblem({ code, place: 'x', received: '1,5', limit: '6 mm' }),
    )
    allDiffer(words.map(({ message }) => message))
    for (const { expected, remedy } of words) {
      expect(expected.length).toBeGreaterThan(5)
      // Something to do, as a sentence.
      expect(remedy).toMatch(/^[A-Z].*\.$/)
    }
  })

  test('a slip: what it is and what to look at; two at once are both said', () => {
    const words = SLIP_CODES.map((code) => describeCause({ code }))
    allDiffer(words.map(({ title }) => title))
    allDiffer(words.map(({ look }) => look))
    const both = describeCause({ code: 'gauge-forgotten', and: { code: 'sign-turned' } })
    expect(both.title).toBe('What lay between was forgotten, and the sign is turned')
    expect(both.look).toContain('Look at the minus')
  })

  test('a warning: at its place, with its amount where it has one', () => {
    const of = (code: (typeof WARNING_CODES)[number]) =>
      describeWarning(
        {
          code,
          place: 'H1',
          axis: 'Z',
          amount: toNanometres(1_234_000),
          limit: toNanometres(5e5),
          tools: [1, 2, 3],
          people: ['Mira', 'Jory'].map((name) => ({
            name,
            shown: { text: '1.234', unit: 'mm' },
          })),
        },
        (nm) => `${nm / 1e6} mm`,
      )
    allDiffer(WARNING_CODES.map(of))
    const withoutAmount = [
      'faces-swapped',
      'no-sensor',
      'counter-zero-unknown',
      'gauge-size-unknown',
      'approach-mixed',
      'digits-missing',
    ]
    for (const code of WARNING_CODES)
      if (!withoutAmount.includes(code))
        expect([code, of(code)]).toEqual([code, expect.stringContaining('1.234 mm')])
  })
})

test('a set-up put together fact by fact is the set-up itself', () => {
  const parsed = parseSetupText(example('whole-run.json'))
  if (!parsed.ok) throw new Error('the example is broken')
  const { file, document } = parsed
  const [first, ...rest] = file.facts
  const begun = foldSetup({ id: file.id, facts: [first!] })
  expect(rest.reduce(appendFact, begun)).toEqual(document)
  const places = SETUP_FACT_KINDS.flatMap((kind) =>
    file.facts.flatMap((fact, place) => (fact.kind === kind && kind !== 'sheet' ? [place] : [])),
  )
  expect(new Set(places).size).toBe(document.length - 1)
  expect(factIds(document).size).toBe(document.length - 1)
})

describe('one table of fact kinds', () => {
  const id = '019aaaaa-0000-7000-8000-000000000001'

  test('a fact is refused outside its kind, and a record brings nothing of its own', () => {
    const sent = (kind: string, body: unknown) =>
      newFactSchema.safeParse({ id, kind, body }).success
    expect(sent('lift', { moves: 'in', where: 'lengths', amount: { text: '1', unit: 'mm' } })).toBe(
      true,
    )
    expect(sent('lift', { kind: 'home-lost' })).toBe(false)
    expect(sent('machine', {})).toBe(false)
    expect(sent('record', {})).toBe(true)
    expect(sent('record', { hash: 'a'.repeat(64) })).toBe(false)
  })

  test('every kind has words of its own for a fact that waits or was refused', () => {
    const written = { text: '12.5', unit: 'mm' }
    const fact = { name: 'plate', address: 'H3', row: 'G54', tool: 4 }
    const words = SETUP_FACT_KINDS.map((kind) =>
      factWords({
        id,
        kind,
        body: { ...fact, read: written, shown: written, amount: written },
      } as never),
    )
    expect(new Set(words).size).toBe(SETUP_FACT_KINDS.length)
    for (const one of words) expect(one).not.toMatch(/undefined|object/)
  })
})

describe('what is wrong with a field says what was expected there', () => {
  const told = (change: (sheet: any) => void) => {
    const file = JSON.parse(example('setting-plane.json'))
    change(file.facts[0].body)
    const parsed = parseSetupFile(file)
    return parsed.ok ? [] : parsed.problems.map(({ place, expected }) => [place, expected])
  }
  const at = (field: string) => `facts.0.body.${field}`

  test.each<[string, (sheet: any) => void, string, string]>([
    ['no tools', (sheet) => (sheet.tools = []), 'tools', 'at least 1 of them'],
    [
      'too many gauges',
      (sheet) => (sheet.gauges = Array.from({ length: 201 }, () => sheet.gauges[0])),
      'gauges',
      'at most 200 of them',
    ],
    ['a tool below 0', (sheet) => (sheet.tools[0].number = -1), 'tools.0.number', '0 or more'],
    ['an empty name', (sheet) => (sheet.name = ' '), 'name', 'a text that is not empty'],
    ['a machine’s id', (sheet) => (sheet.machineId = 'x'), 'machineId', 'an id (UUID)'],
    ['a unit', (sheet) => (sheet.unit = 'cm'), 'unit', 'one of mm, in'],
    ['a number for words', (sheet) => (sheet.plane = 7), 'plane', 'a text'],
  ])('%s', (_, change, place, expected) => {
    expect(told(change)).toContainEqual([at(place), expected])
  })

  test('in one sentence, without the words of the library that found it', () => {
    const file = JSON.parse(example('setting-plane.json'))
    Object.assign(file.facts[0].body, { name: '', unit: 'cm', tools: [], gauges: 7 })
    const parsed = parseSetupFile(file)
    const messages = parsed.ok ? [] : parsed.problems.map(({ message }) => message)
    expect(messages).toContain(
      'facts.0.body.name: a text that is not empty is needed, an empty text came.',
    )
    expect(messages.length).toBeGreaterThanOrEqual(4)
    for (const message of messages) expect(message).not.toMatch(/Too |Invalid|expected|received/)
  })
})
