import { setMaxListeners } from 'node:events'
import { Client } from 'pg'
import type { StreamKind } from '@pine/contract'

/** The channel of the database on which every process hears of every fact. */
export const CHANNEL = 'pine_facts'

/** What is told there when sessions ended, or somebody may do something else than before. */
export const SESSIONS_CHANGED = 'sessions'

/** A fact that was written, by whichever process. */
export interface Change {
  readonly shopId: string
  readonly kind: StreamKind
  readonly id: string
  /** Of the fact in its stream. */
  readonly place: number
}

/**
 * `away`: the database does not answer; until the next gap nothing is heard. `gap`: changes may have been missed; what is shown is
 * to be asked for anew. `sessions`: some may have ended; who listens is
 * asked for anew.
 */
export type ChangeNotice = Change | 'away' | 'gap' | typeof SESSIONS_CHANGED

/** Tells of facts as they are written. */
export interface Changes {
  subscribe(listener: (notice: ChangeNotice) => void): () => void
  /** Tells nothing more; whoever waits for the next change is told that there is none. */
  close(): Promise<void>
  readonly closed: AbortSignal
}

/** So often it is asked whether the line still leads to the database: one that hangs says nothing of itself. */
const BEAT_MS = 3_000
const LONGEST_BEAT_MS = 4_000
const FIRST_PAUSE_MS = 250
const LONGEST_PAUSE_MS = 5_000

/**
 * Listens on a connection of its own (PostgreSQL's LISTEN and NOTIFY). That it is lost, or leads to a database that hangs, is told; it
 * is opened again, and then a gap is told: what was written in between is asked for by place.
 *
 * @param beat milliseconds between two questions whether the database still answers there.
 */
export function listenTo(connect: () => Client, beat = BEAT_MS): Changes {
  const listeners = new Set<(notice: ChangeNotice) => void>()
  const ending = new AbortController()
  // Every open line waits for its end.
  setMaxListeners(0, ending.signal)
  let client: Client | undefined
  let timer: NodeJS.Timeout | undefined
  let beating: NodeJS.Timeout | undefined
  const notify = (notice: ChangeNotice) => {
    for (const listener of listeners) listener(notice)
  }

  let isAway = false
  const open = async (pause: number): Promise<void> => {
    const next = connect()
    client = next
    let isLost = false
    const again = (after: number) => {
      if (isLost || ending.signal.aborted) return
      isLost = true
      clearTimeout(beating)
      if (!isAway) notify('away')
      isAway = true
      next.end().catch(() => undefined)
      timer = setTimeout(() => void open(Math.min(after * 2, LONGEST_PAUSE_MS)), after)
    }
    const listening = async () => {
      const tooLate = setTimeout(() => again(FIRST_PAUSE_MS), LONGEST_BEAT_MS)
      await next.query('SELECT 1').catch(() => again(FIRST_PAUSE_MS))
      clearTimeout(tooLate)
      if (!isLost && !ending.signal.aborted) beating = setTimeout(() => void listening(), beat)
    }
    next.on('notification', ({ payload }) => {
      if (payload === SESSIONS_CHANGED) return notify(SESSIONS_CHANGED)
      const change = changeOf(payload)
      if (change !== undefined) notify(change)
    })
    next.on('error', () => again(FIRST_PAUSE_MS))
    next.on('end', () => again(FIRST_PAUSE_MS))
    try {
      await next.connect()
      await next.query(`LISTEN ${CHANNEL}`)
      isAway = false
      notify('gap')
      beating = setTimeout(() => void listening(), beat)
    } catch {
      again(pause)
    }
  }
  void open(FIRST_PAUSE_MS)

  return {
    closed: ending.signal,
    subscribe(listener) {
      listeners.add(listener)
      return () => void listeners.delete(listener)
    },
    async close() {
      ending.abort()
      clearTimeout(timer)
      clearTimeout(beating)
      await client?.end().catch(() => undefined)
    },
  }
}

/** Undefined for what anybody else says on this channel. */
function changeOf(payload: string | undefined): Change | undefined {
  const [shopId, kind, id, place] = (payload ?? '').split(' ')
  if (shopId === undefined || kind === undefined || id === undefined || place === undefined)
    return undefined
  return { shopId, kind: kind as StreamKind, id, place: Number(place) }
}
