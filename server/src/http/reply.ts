import type { Context } from 'hono'
import type { ErrorBody } from '@pine/contract'
import { REFUSAL_STATUS, type Outcome, type Refusal } from '../refusal'

/** The one error shape of the API: the first problem as the head, all of them in the list. */
export function replyRefusal(context: Context, refusal: Refusal) {
  const [first] = refusal.problems
  const body: ErrorBody = { error: { ...first, code: first.code, problems: [...refusal.problems] } }
  if (refusal.retryAfter !== undefined) context.header('Retry-After', String(refusal.retryAfter))
  return context.json(body, REFUSAL_STATUS[refusal.code])
}

/** What a use case came to: its value as JSON, or why not. The client checks what comes by the contract. */
export const reply = (context: Context, outcome: Outcome<object>, status: 200 | 201 = 200) =>
  outcome.ok ? context.json(outcome.value, status) : replyRefusal(context, outcome.refusal)

/** An answer that is JSON already. */
export const replyJson = (context: Context, json: string) =>
  context.body(json, 200, { 'Content-Type': 'application/json' })
