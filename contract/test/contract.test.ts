import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  PROBLEM_CODES,
  SLIP_CODES,
  WARNING_CODES,
  describeProblem,
  describeSlip,
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
test('every code has words that say what to do', () => {
  for (const code of PROBLEM_CODES) {
    const words = describeProblem({ code, place: 'x', received: '1,5', limit: '6 mm' })
    for (const text of Object.values(words)) expect(text).toMatch(/\w/)
  }
  for (const code of SLIP_CODES) expect(describeSlip(code).look).toMatch(/\w/)
  for (const code of WARNING_CODES)
    expect(
      describeWarning(
        { code, place: 'H1', amount: toNanometres(1e6), limit: toNanometres(5e5) },
        (nm) => `${nm / 1e6} mm`,
      ),
    ).toMatch(/\w{3}/)
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
