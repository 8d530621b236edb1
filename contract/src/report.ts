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
      message: `${where}: ${issue.message}.`,
      expected: expectation(issue),
      received,
      remedy: 'Correct this field; docs/setup-file.md describes each one.',
    },
  ]
}

function expectation(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return `a value of type ${issue.expected}`
    case 'invalid_value':
      return `one of ${issue.values.map(String).join(', ')}`
    case 'too_small':
      return `at least ${String(issue.minimum)}`
    case 'too_big':
      return `at most ${String(issue.maximum)}`
    case 'invalid_format':
      return `text in the form of ${issue.format}`
    default:
      return 'what docs/setup-file.md says'
  }
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
