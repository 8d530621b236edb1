import { factsAnswerSchema, gaugeHistorySchema, setupAnswerSchema } from '@pine/contract'
import type { Author } from '@pine/core/journal'
import { api, ApiRefusal, ask, sendable } from '../server/api'
import {
  isOfSetup,
  streamOf,
  type CheckEntry,
  type OutboxEntry,
  type SetupEntry,
} from './outbox-entry'
import { outboxStore } from './outbox-store'
import { showChecks } from '../shop/shown-checks'
import { showBegun, showFacts } from '../setup/shown-setups'

type BeginRequest = Parameters<typeof api.setups.$post>[0]['json']

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
 */
export async function post(entry: OutboxEntry): Promise<void> {
  await outboxStore.add(entry)
  await flushOutbox()
}

/** Takes a refused fact out, once the person has seen why. */
export const dismiss = (factId: string): Promise<void> => outboxStore.remove(factId)

let sending: Promise<void> | undefined
let retry: ReturnType<typeof setTimeout> | undefined
const failures = new Map<string, number>()

/** Sends what waits, in order, one after the other. */
export function flushOutbox(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = undefined
  })
  return sending
}

async function sendAll(): Promise<void> {
  await outboxStore.ready
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
    await (isOfSetup(entry) ? sendFact(entry) : sendCheck(entry))
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
  ...(sender?.id !== undefined && { by: sender.id }),
})

async function sendFact(entry: SetupEntry): Promise<void> {
  const { setupId, fact, begins, seen, device } = entry
  const query = {
    ...beside(entry),
    ...(seen !== undefined && { seen: String(seen) }),
    ...(device !== undefined && { device }),
  }
  if (begins === true) {
    const json = { id: setupId, sheetFactId: fact.id, sheet: fact.body } as BeginRequest
    await showBegun(setupId, await ask(api.setups.$post({ query, json }), setupAnswerSchema))
    return
  }
  await showFacts(
    setupId,
    await ask(
      api.setups[':id'].facts.$post({ param: { id: setupId }, query, json: fact }),
      factsAnswerSchema,
    ),
  )
}

async function sendCheck(entry: CheckEntry): Promise<void> {
  const { gaugeId, fact } = entry
  const json = sendable({ id: fact.id, ...fact.body })
  const request = { param: { id: gaugeId }, query: beside(entry), json }
  await showChecks(gaugeId, await ask(api.gauges[':id'].checks.$post(request), gaugeHistorySchema))
}

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
