import { factsAnswerSchema, streamAnswerSchema } from '@pine/contract'
import type { Author } from '@pine/core/journal'
import { api, ApiRefusal, ask, sendable } from '../server/api'
import { streamOf, type OutboxEntry } from './outbox-entry'
import { outboxStore } from './outbox-store'
import { showOutside } from '../shop/shown-outside'
import { showFacts } from '../setup/shown-setups'

/** Seconds between tries while the server does not answer. */
const RETRY_SECONDS = 4
/** A fact that the server fails at so often steps aside, with the reason. */
const MOST_FAILURES = 5

/** Who is signed in on this device: only their own entries are sent, under their own name. */
let sender: Author | undefined

/** Sends for this person from now on; for nobody where none is signed in. */
export function sendAs(person: Author | undefined): void {
  sender = person
  if (person !== undefined) void flushOutbox()
}

/** Whether an entry was made by a person; one that was made while nobody was signed in is whoever's signs in next. */
export function isOf({ by }: Pick<OutboxEntry, 'by'>, person: Author): boolean {
  if (typeof by !== 'string' && by.id !== undefined) return by.id === person.id
  const name = typeof by === 'string' ? by : by.name
  return name === '' || name === person.name
}

/**
 * Takes a fact in: it is shown at once, kept on this device and sent after that, so neither a lost network nor a reload
 * loses it. Its id makes sure that a second try is the same fact.
 *
 * @returns once it is kept: nobody waits for a server, which may be slow to answer or have much before it.
 */
export async function post(entry: OutboxEntry): Promise<void> {
  await outboxStore.add(entry)
  void flushOutbox()
}

/**
 * The same for a form that stays open until it is known what became of it: a refusal is thrown, and not kept beside the form.
 * Where nobody answers the fact waits like any other.
 *
 * @returns whether the server has it.
 */
export async function postAndHear(entry: OutboxEntry): Promise<boolean> {
  await outboxStore.add(entry)
  await flushOutbox()
  const { id } = entry.fact
  const kept = outboxStore.entries().find(({ fact }) => fact.id === id)
  if (kept === undefined) return true
  const { refused } = kept
  if (refused === undefined) return false
  await outboxStore.remove(id)
  throw new ApiRefusal(REFUSED, refused, [refused])
}

/** Takes a refused fact out, once the person has seen why. */
export const dismiss = (factId: string): Promise<void> => outboxStore.remove(factId)

let sending: Promise<void> | undefined
let retry: ReturnType<typeof setTimeout> | undefined
const failures = new Map<string, number>()

/** Sends what waits, in order, one after the other. */
export function flushOutbox(): Promise<void> {
  sending ??= sendAll()
  return sending
}

async function sendAll(): Promise<void> {
  await outboxStore.ready
  try {
    await sendWaiting()
  } finally {
    // At once, not a moment later: what is entered in that moment would be taken for sent.
    sending = undefined
  }
}

async function sendWaiting(): Promise<void> {
  // Set-ups and gauges whose next fact the server failed at: the others’ go on.
  const stuck = new Set<string>()
  for (let entry = nextOf(stuck); entry !== undefined; entry = nextOf(stuck)) {
    const outcome = await send(entry)
    if (outcome === 'later') return tryAgainLater()
    if (outcome === 'failed') stuck.add(streamOf(entry))
  }
  if (stuck.size > 0) tryAgainLater()
}

const nextOf = (stuck: ReadonlySet<string>): OutboxEntry | undefined => {
  const person = sender
  if (person === undefined) return undefined
  return outboxStore
    .entries()
    .find(
      (entry) => entry.refused === undefined && isOf(entry, person) && !stuck.has(streamOf(entry)),
    )
}

/** Sends one fact: it is with the server, refused, to be tried again, or the server failed at this very one. */
async function send(entry: OutboxEntry): Promise<'done' | 'later' | 'failed'> {
  const { fact } = entry
  try {
    // The answer is shown before the entry goes, so that the fact never flickers away.
    await sendFact(entry)
    failures.delete(fact.id)
    await outboxStore.remove(fact.id)
    return 'done'
  } catch (cause) {
    if (!(cause instanceof ApiRefusal) || PASSES.includes(cause.status)) return 'later'
    if (cause.status >= 500 && countFailure(fact.id) < MOST_FAILURES) return 'failed'
    await outboxStore.refuse(fact.id, cause.problem)
    return 'done'
  }
}

const beside = ({ at }: Pick<OutboxEntry, 'at'>) => ({
  at,
  sent: new Date().toISOString(),
  ...(sender?.id !== undefined && { by: sender.id }),
})

async function sendFact(entry: OutboxEntry): Promise<void> {
  const { stream, fact, seen, device } = entry
  const query = {
    ...beside(entry),
    ...(seen !== undefined && { seen: String(seen) }),
    ...(device !== undefined && { device }),
  }
  // Each stream has its own route, typed by its own facts: one of them is asked here, whichever it is.
  const route = api.streams[stream.kind][':id'].facts as {
    $post(request: unknown): ReturnType<(typeof api.streams.setup)[':id']['facts']['$post']>
  }
  const request = route.$post({ param: { id: stream.id }, query, json: sendable(fact) })
  if (stream.kind === 'setup') await showFacts(stream.id, await ask(request, factsAnswerSchema))
  else {
    await ask(request, streamAnswerSchema)
    await showOutside(stream)
  }
}

/** The status of what is refused: which of them it was, the form does not ask. */
const REFUSED = 422
/** Nobody is signed in, or the server is busy or away: nothing is wrong with the fact. */
const PASSES: readonly number[] = [401, 429, 503]

function countFailure(factId: string): number {
  const count = (failures.get(factId) ?? 0) + 1
  failures.set(factId, count)
  return count
}

function tryAgainLater(): void {
  clearTimeout(retry)
  retry = setTimeout(() => void flushOutbox(), RETRY_SECONDS * 1000)
}
