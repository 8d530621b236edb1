import type { ReportedProblem } from '@pine/contract'

/** Why a use case did not do what was asked; the one place where codes meet HTTP statuses. */
export const REFUSAL_STATUS = {
  'not-json': 400,
  'wrong-type': 415,
  'wrong-origin': 403,
  'not-signed-in': 401,
  'pin-wrong': 401,
  'code-wrong': 403,
  'not-allowed': 403,
  'not-found': 404,
  'id-already-used': 409,
  'name-already-used': 409,
  'last-lead': 409,
  'steps-open': 409,
  'set-up-full': 409,
  'body-too-large': 413,
  'nested-too-deep': 422,
  'text-not-storable': 422,
  'wrong-host': 421,
  'pin-too-short': 422,
  'input-wrong': 422,
  'pin-locked': 429,
  'too-many-lines': 429,
  internal: 500,
  'agent-failed': 502,
  busy: 503,
  'database-away': 503,
} as const

export type RefusalCode = keyof typeof REFUSAL_STATUS

export interface Refusal {
  readonly code: RefusalCode
  readonly problems: readonly [ReportedProblem, ...ReportedProblem[]]
  /** Seconds after which the same call may succeed. */
  readonly retryAfter?: number
}

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal }

export const accept = <T>(value: T): Outcome<T> => ({ ok: true, value })

/** A refusal with one problem of its own. */
export function refuse(
  code: RefusalCode,
  words: Omit<ReportedProblem, 'code' | 'place'> & { readonly place?: string },
  retryAfter?: number,
): { readonly ok: false; readonly refusal: Refusal } {
  const problem = { place: '', ...words, code }
  return {
    ok: false,
    refusal: { code, problems: [problem], ...(retryAfter === undefined ? {} : { retryAfter }) },
  }
}

/** A refusal for what is wrong in the input itself. */
export function refuseInput(problems: readonly ReportedProblem[]): {
  readonly ok: false
  readonly refusal: Refusal
} {
  const [first, ...others] = problems
  if (first === undefined) throw new Error('refuseInput needs at least one problem')
  return { ok: false, refusal: { code: 'input-wrong', problems: [first, ...others] } }
}
