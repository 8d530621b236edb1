import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  PROBLEM_CODES,
  SLIP_CODES,
  WARNING_CODES,
  describeCause,
  describeProblem,
  describeWarning,
  solve,
  toNanometres,
} from '@pine/core'
import {
  appendFact,
  newFactSchema,
  parseSetupDocument,
  parseSetupText,
  solutionViewSchema,
  viewSolution,
  type NewFact,
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

test('every field of a document is needed or known: leaving one out is told at its place', () => {
  const whole = JSON.parse(example('setting-plane.json'))
  for (const field of Object.keys(whole)) {
    const { [field]: _left, ...rest } = whole
    const parsed = parseSetupDocument(rest)
    expect(parsed).toMatchObject({ ok: false, problems: [{ place: field, received: 'nothing' }] })
  }
})

test('several problems are told in one pass, with what came', () => {
  const bad = JSON.parse(example('setting-plane.json'))
  bad.sheet.unit = 'furlong'
  bad.sheet.tools[0].number = 0
  bad.readings[0].of = 'elsewhere'
  const parsed = parseSetupDocument(bad)
  expect(parsed.ok ? [] : parsed.problems.map(({ place, received }) => [place, received])).toEqual([
    ['sheet.unit', 'furlong'],
    ['sheet.tools.0.number', '0'],
    ['readings.0.of', 'elsewhere'],
  ])
})

test('a long value is not repeated back at full length', () => {
  const parsed = parseSetupDocument({
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
        },
        (nm) => `${nm / 1e6} mm`,
      )
    allDiffer(WARNING_CODES.map(of))
    const withoutAmount = ['faces-swapped', 'no-sensor', 'approach-mixed', 'digits-missing']
    for (const code of WARNING_CODES)
      if (!withoutAmount.includes(code))
        expect([code, of(code)]).toEqual([code, expect.stringContaining('1.234 mm')])
  })
})

test('a document put together fact by fact is the document itself', () => {
  const parsed = parseSetupText(example('gauge-line.json'))
  if (!parsed.ok) throw new Error('the example is broken')
  const { readings, ...rest } = parsed.document
  const begun = { ...rest, readings: [] }
  const again = readings.reduce<typeof parsed.document>(
    (document, { id, by, at, ...body }) =>
      appendFact(document, newFactSchema.parse({ id, kind: 'reading', body }), { by, at }),
    begun,
  )
  expect(again).toEqual(parsed.document)
  const record: NewFact = { id: readings[0]!.id, kind: 'record', body: {} }
  expect(appendFact(again, record, { by: 'x', at: 'y' })).toBe(again)
})
