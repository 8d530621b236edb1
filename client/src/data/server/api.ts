import { hc } from 'hono/client'
import type { z } from 'zod'
import { errorBodySchema, type ReportedProblem } from '@pine/contract'
import type { Api } from '@pine/server'
import { noteReached } from './connection'

/** Nobody waits longer for an answer: a network that is half gone answers never. */
const LONGEST_ANSWER_MS = 20_000

/** Named, for written out it is longer than the compiler writes a type. */
type Routes = ReturnType<typeof hc<Api>>['api']

/** The typed client: paths and bodies come from the server's routes, answers are checked by the contract. */
export const api: Routes = hc<Api>('/', {
  fetch: (input: RequestInfo | URL, init?: RequestInit) =>
    fetch(input, { ...init, signal: AbortSignal.timeout(LONGEST_ANSWER_MS) }),
}).api

type Sendable<T> = T extends object ? { -readonly [Key in keyof T]: Sendable<T[Key]> } : T

/** A copy to be sent: the client's types ask for what may be changed, core's facts may not be. */
export const sendable = <T>(value: T): Sendable<T> => structuredClone(value) as Sendable<T>

/** The server said no, and why. */
export class ApiRefusal extends Error {
  constructor(
    readonly status: number,
    readonly problem: ReportedProblem,
    readonly problems: readonly ReportedProblem[],
  ) {
    super(problem.message)
  }
}

/** The server could not be reached: nothing is known about what became of the request. */
export class Unreachable extends Error {}

interface Answer {
  readonly ok: boolean
  readonly status: number
  json(): Promise<unknown>
}

/** Waits for an answer and checks it; throws ApiRefusal or Unreachable. */
export async function ask<Schema extends z.ZodType>(
  request: Promise<Answer>,
  schema: Schema,
): Promise<z.infer<Schema>> {
  const answer = await reached(request)
  const body = await answer.json().catch(() => undefined)
  throwRefusal(answer, body)
  return schema.parse(body)
}

/** A file that the server makes, under the name that it gives it; throws ApiRefusal or Unreachable. */
export async function fileOf(
  path: string,
): Promise<{ readonly name: string; readonly content: Blob }> {
  const answer = await reached(fetch(path, { signal: AbortSignal.timeout(LONGEST_ANSWER_MS) }))
  if (!answer.ok) throwRefusal(answer, await answer.json().catch(() => undefined))
  noteReached(true)
  const [, name = 'file'] =
    /filename="([^"]+)"/.exec(answer.headers.get('Content-Disposition') ?? '') ?? []
  return { name, content: await answer.blob() }
}

const reached = <One extends Answer>(request: Promise<One>): Promise<One> =>
  request.catch(() => {
    noteReached(false)
    throw new Unreachable('The server does not answer.')
  })

function throwRefusal({ ok, status }: Answer, body: unknown): void {
  const refused = ok ? undefined : errorBodySchema.safeParse(body)
  // A server without its database keeps nothing that is sent to it: for whoever enters it is as good as not there.
  noteReached(refused?.data?.error.code !== 'database-away')
  if (refused === undefined) return
  if (!refused.success) throw new Unreachable(`The server answered ${status} without a reason.`)
  const { problems, ...problem } = refused.data.error
  throw new ApiRefusal(status, problem, problems)
}

/** What a person reads about something that they entered and that failed. */
export const failureWords = (cause: unknown): string =>
  wordsOf(cause, {
    away: 'What you typed is kept here.',
    odd: 'What you typed is kept; reload the page and try again.',
  })

/** The same about something that they only asked to see: nothing was typed that could be kept. */
export const askedFailureWords = (cause: unknown): string =>
  wordsOf(cause, {
    away: 'It is shown when the server answers again.',
    odd: 'Reload the page and try again.',
  })

/** The same about a file that was to be read or made. */
export const fileFailureWords = (cause: unknown): string =>
  wordsOf(cause, {
    away: 'Try again when it does.',
    odd: 'Reload the page and try again.',
  })

function wordsOf(cause: unknown, { away, odd }: { readonly away: string; readonly odd: string }) {
  if (cause instanceof ApiRefusal) return `${cause.problem.message} ${cause.problem.remedy}`
  if (cause instanceof Unreachable) return `${cause.message} ${away}`
  return `Something went wrong here. ${odd}`
}
