import type { Surprise } from '../src/expect'
import { toNanometres } from '../src/length'
import { PROBLEM_CODES } from '../src/problem'
import { NEED_JUDGEMENTS, PROGRAM_JUDGEMENTS } from '../src/program/judgement/program-codes'
import { WARNING_CODES } from '../src/registers'
import {
  describeActiveLength,
  describeCheck,
  describeJudgement,
  describeProblem,
  describeSurprise,
  describeWarning,
  spokenNumber,
} from '../src/words'
import { mm, workedDocument } from './worked-example'

// Every sentence that takes numbers, with all that it can be told and with nothing: what is known is said, what is not known leaves no
// hole in the sentence.

const NUMBER = /7\.125|3\.500|zz/
const write = (length: number) => `${(length / 1e6).toFixed(3)} zz`
const HOLE = /undefined|NaN|null|\[object|\s[.,;:)]|\(\)|  /

const all = {
  amount: toNanometres(-7_125_000),
  limit: toNanometres(3_500_000),
  axis: 'Z' as const,
  beside: 'nose-on-part:G54',
  tools: [1, 2, 3],
  people: [
    { name: 'Mira', shown: mm('1') },
    { name: 'Jory', shown: mm('2') },
  ],
}

describe.each(WARNING_CODES)('the warning %s', (code) => {
  const place = 'tip-on-plane:T3'
  test('says all its numbers', () => {
    expect(describeWarning({ code, place, ...all }, write)).not.toMatch(
      /\?(?! Report)[ .,)]|\? *more/,
    )
    expect(describeWarning({ code, place, ...all }, write)).not.toMatch(HOLE)
  })
  test('has no hole where a number is not known', () => {
    const said = describeWarning({ code, place }, write)
    expect(said).not.toMatch(/undefined|NaN|\[object/)
    expect(said).not.toMatch(NUMBER)
  })
})

describe.each([...PROGRAM_JUDGEMENTS, ...NEED_JUDGEMENTS])('the judgement %s', (code) => {
  const told = (about: object) => {
    const { title, why, remedy } = describeJudgement(
      { code, severity: 'look', line: 1, excerpt: '', ...about },
      write,
    )
    return [title, why, remedy]
  }
  test('has no hole, whatever is known', () => {
    // What a judgement is about is always known; how far it is may not be.
    const about = { tool: 2, row: 'G54', register: 3, axis: 'Z', speed: 900, limit: 800 }
    const known = { ...about, amount: all.amount }
    for (const sentence of [...told(known), ...told(about)]) expect(sentence).not.toMatch(HOLE)
    expect(told(about).join(' ')).not.toMatch(NUMBER)
  })
})

test.each(PROBLEM_CODES)(
  'the problem %s says what came, what was expected and what to do',
  (code) => {
    const said = describeProblem({ code, place: 'somewhere', received: 'zzz', limit: 'one, two' })
    for (const sentence of [said.message, said.expected, said.remedy]) {
      expect(sentence.trim()).not.toBe('')
      expect(sentence).not.toMatch(HOLE)
    }
    expect(said.remedy).toMatch(/\.$/)
  },
)

test('a name that points nowhere is told with what there is, as far as that is known', () => {
  const expected = (limit?: string) =>
    describeProblem({
      ...{ code: 'reference-unknown', place: 'tool', received: 'T9' },
      ...(limit !== undefined && { limit }),
    }).expected
  expect(expected('T1, T2')).toBe('one of T1, T2')
  expect(expected('')).toBe('something that the sheet lists')
  expect(expected()).toBe('something that the sheet lists')
})

test('what has no name is not read out', () => {
  expect(spokenNumber('-1.5 x', 'mm')).toBe('minus one point five millimetres')
  expect(spokenNumber('20', 'in')).toBe('two zero inches')
})

test.each([
  [undefined, 'Expected '],
  ['read', 'Expected X '],
  ['readY', 'Expected Y '],
] as const)(
  'of a place that is read on two axes a surprise says which number: %s',
  (number, told) => {
    const expected = { mm: -100, standardMm: 0.01, because: [] } as unknown as Surprise['expected']
    const words = describeSurprise(
      { expected, ...(number !== undefined && { number }) } as Surprise,
      'mm',
      String,
    )
    expect(words.expected.startsWith(told)).toBe(true)
    expect(/[XY] /.test(words.expected)).toBe(number !== undefined)
  },
)

test.each([
  ['clean', 3, true],
  ['gauges', 0, true],
  ['holding', 3, true],
  ['air-cut', 0, true],
  ['first-part', 0, true],
  ['look', 0, true],
] as const)(
  'the step %s has %s points, a caution: %s, and what the person says',
  (of, points, cautions) => {
    const words = describeCheck(workedDocument({}, []), of)
    expect(words.points.length >= points).toBe(true)
    for (const text of [words.title, words.sentence, words.done, ...words.points])
      expect(text).toMatch(/^[A-Z0-9].{3,}/)
    if (of === 'air-cut' || of === 'gauges') expect(words.points).toEqual([])
    expect((words.caution ?? '').length > 10).toBe(cautions)
  },
)

test('a position is told with the length active that it was touched with, or with none', () => {
  expect(describeActiveLength(null)).toContain('no length active, G49')
  expect(describeActiveLength('H3')).toContain('With H3 active')
})
