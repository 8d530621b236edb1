import { type Problem } from '@pine/core/problem'
import { describeProblem } from '@pine/core/words'
import type { z } from 'zod'
import type { ReportedProblem } from './error-body'

/** Longest text that is repeated back to the sender. */
const ECHO = 120

const shorten = (text: string) => (text.length > ECHO ? `${text.slice(0, ECHO)}…` : text)

/** A problem of core with its words. */
export function reportProblem(problem: Problem): ReportedProblem {
  return {
    code: problem.code,
    place: problem.place,
    received: shorten(problem.received),
    ...describeProblem(problem),
  }
}

/** What a schema found, in the same shape: every issue with its path and what came there. */
export function reportIssues(
  error: Pick<z.core.$ZodError, 'issues'>,
  input: unknown,
): readonly ReportedProblem[] {
  return error.issues.flatMap((issue) => issueReports(issue, input))
}

function issueReports(issue: z.core.$ZodIssue, input: unknown): readonly ReportedProblem[] {
  const place = issue.path.join('.')
  const received = shorten(show(valueAt(input, issue.path)))
  const where = place === '' ? 'The input' : place
  if (issue.code === 'unrecognized_keys')
    return issue.keys.map((key) => ({
      code: 'shape-unknown-field',
      place: place === '' ? key : `${place}.${key}`,
      message: `${where} has a field “${key}” that is not part of the format.`,
      expected: 'only the fields of docs/setup-file.md',
      received: key,
      remedy: 'Take it out, or look for a misspelt name.',
    }))
  return [
    {
      code: `shape-${issue.code.replace(/_/g, '-')}`,
      place,
      message: `${where}: ${expectation(issue)} is needed, ${received === '' ? 'an empty text' : received} came.`,
      expected: expectation(issue),
      received,
      remedy: 'Correct this field; docs/setup-file.md describes each one.',
    },
  ]
}

/** What should have come, in words: no text of the schema's library reaches a person. */
function expectation(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return TYPE_NAMES[issue.expected] ?? `a value of type ${issue.expected}`
    case 'invalid_value':
      return `one of ${issue.values.map(String).join(', ')}`
    case 'too_small':
      return leastOf(issue)
    case 'too_big':
      return issue.origin === 'string'
        ? `at most ${String(issue.maximum)} characters`
        : issue.origin === 'array'
          ? `at most ${String(issue.maximum)} of them`
          : `${String(issue.maximum)} or less`
    case 'invalid_format':
      return FORMAT_NAMES[issue.format] ?? issue.message
    case 'custom':
      return issue.message
    default:
      return 'what docs/setup-file.md says'
  }
}

const TYPE_NAMES: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with fields',
}

/** Forms of text that are no words of ours. */
const FORMAT_NAMES: Readonly<Record<string, string>> = {
  uuid: 'an id (UUID)',
  datetime: 'a date and time (ISO 8601)',
}

function leastOf({
  origin,
  minimum,
  inclusive,
}: Extract<z.core.$ZodIssue, { code: 'too_small' }>): string {
  if (origin === 'array') return `at least ${String(minimum)} of them`
  if (origin !== 'string')
    return `${inclusive === false ? 'more than ' : ''}${String(minimum)}${inclusive === false ? '' : ' or more'}`
  return minimum === 1 ? 'a text that is not empty' : `at least ${String(minimum)} characters`
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) =>
      typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined,
    input,
  )
}

function show(value: unknown): string {
  if (value === undefined) return 'nothing'
  return typeof value === 'string' ? value : JSON.stringify(value)
}
