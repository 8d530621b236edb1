import { factsAnswerSchema, type NewFact, type ReportedProblem } from '@pine/contract'
import type { Author } from '@pine/core/journal'
import { api, ApiRefusal, ask } from './api'
import { kept, useKept } from './kept'
import { showFacts } from './shown-setups'

/** A fact that was entered here and is not yet known to be kept by the server. */
export interface OutboxEntry {
  readonly setupId: string
  readonly fact: NewFact
  /** Who entered it here; older entries of this device tell the name alone. */
  readonly by: Author | string
  readonly at: string
  /** Why the server refused it: it stays here, with the reason, until a person decides. */
  readonly refused?: ReportedProblem
}

const outbox = kept<readonly OutboxEntry[]>('outbox', [])

/** Seconds between tries while the server does not answer. */
const RETRY_SECONDS = 4

export const useOutbox = (): readonly OutboxEntry[] => useKept(outbox)

/**
 * Takes a fact in: it is kept on this device first and sent after that, so neither a lost network
 * nor a reload loses it. Its id makes sure that a second try is the same fact.
 */
export function post(entry: OutboxEntry): Promise<void> {
  outbox.write([...outbox.read(), entry])
  return flushOutbox()
}

/** Takes a refused fact out, once the person has seen why. */
export function dismiss(factId: string): void {
  outbox.write(outbox.read().filter(({ fact }) => fact.id !== factId))
}

let sending: Promise<void> | undefined
let retry: ReturnType<typeof setTimeout> | undefined

/** Sends what waits, in order, one after the other. */
export function flushOutbox(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = undefined
  })
  return sending
}

async function sendAll(): Promise<void> {
  for (let entry = nextWaiting(); entry !== undefined; entry = nextWaiting()) {
    const { setupId, fact } = entry
    try {
      const answer = await ask(
        api.setups[':id'].facts.$post({ param: { id: setupId }, query: {}, json: fact }),
        factsAnswerSchema,
      )
      // The answer is shown before the entry goes, so that the fact never flickers away.
      await showFacts(setupId, answer)
      dismiss(fact.id)
    } catch (cause) {
      if (!(cause instanceof ApiRefusal) || cause.status === 401 || cause.status >= 500)
        return tryAgainLater()
      outbox.write(
        outbox
          .read()
          .map((one) => (one.fact.id === fact.id ? { ...one, refused: cause.problem } : one)),
      )
    }
  }
}

const nextWaiting = () => outbox.read().find(({ refused }) => refused === undefined)

function tryAgainLater(): void {
  clearTimeout(retry)
  retry = setTimeout(() => void flushOutbox(), RETRY_SECONDS * 1000)
}
