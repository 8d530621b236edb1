import { Dexie, type EntityTable } from 'dexie'
import { useEffect, useSyncExternalStore } from 'react'
import { SWRConfig, unstable_serialize, type Key, type Middleware, type SWRResponse } from 'swr'

/** An answer of the server as this device saw it last. */
interface Row {
  /** The question, as SWR writes it. */
  readonly key: string
  readonly data: unknown
  /** The order in which answers came: the oldest are forgotten first. */
  readonly seq: number
}

type Tables = Dexie & { readonly answers: EntityTable<Row, 'key'> }

/** What opens the page without a network: who is signed in, and what set-ups are made of. */
const KEPT =
  /^"?(session|shop|machines|gauges)"?$|^"?gauge-checks:[0-9a-f-]+"?$|^@"(setup|record|pockets|kept-from)",|^@"setups","",/

/** Answers beyond these are forgotten: a phone's set-ups of a year. */
const MOST_ANSWERS = 400

/** What the server answered before, kept in IndexedDB, so that the page opens without a network with what was seen. */
class SeenBefore {
  private readonly database = new Dexie('pine-compass-seen', { cache: 'disabled' }) as Tables
  private readonly listeners = new Set<() => void>()
  private isLoaded = false
  private next = 0

  constructor() {
    this.database.version(1).stores({ answers: 'key, seq' })
    void this.load()
  }

  readonly loaded = (): boolean => this.isLoaded

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** A browser that keeps nothing has nothing to show without a network, and that is all. */
  async keep(key: string, data: unknown): Promise<void> {
    if (!KEPT.test(key)) return
    this.next += 1
    try {
      await this.database.answers.put({ key, data, seq: this.next })
      const tooMany = (await this.database.answers.count()) - MOST_ANSWERS
      if (tooMany > 0)
        await this.database.answers.bulkDelete(
          await this.database.answers.orderBy('seq').limit(tooMany).primaryKeys(),
        )
    } catch {
      // Full or forbidden: see above.
    }
  }

  /** Who signs out leaves nothing behind to be looked at. */
  async forget(): Promise<void> {
    try {
      await this.database.answers.clear()
    } catch {
      // Nothing was kept then.
    }
  }

  private async load(): Promise<void> {
    try {
      const rows = await this.database.answers.orderBy('seq').toArray()
      for (const { key, data, seq } of rows) {
        SWRConfig.defaultValue.cache.set(key, { data })
        this.next = seq
      }
    } catch {
      // Forbidden: the page opens with the network.
    }
    this.isLoaded = true
    for (const listener of this.listeners) listener()
  }
}

export const seenBefore = new SeenBefore()

/** Whether what was seen before is at hand: before that nothing is asked or shown. */
export const useSeenBefore = (): boolean =>
  useSyncExternalStore(seenBefore.subscribe, seenBefore.loaded)

/** Keeps every answer that is worth it, as it comes and as it grows. */
export const keepAnswers: Middleware =
  (useNext) =>
  <Data, Problem>(key: Key, ...rest: unknown[]): SWRResponse<Data, Problem> => {
    const answered = (useNext as (...all: unknown[]) => SWRResponse<Data, Problem>)(key, ...rest)
    const { data } = answered
    useEffect(() => {
      if (data !== undefined) void seenBefore.keep(unstable_serialize(key), data)
      // eslint-disable-next-line react-hooks/exhaustive-deps -- a key is made anew each time: what it says counts
    }, [data, unstable_serialize(key)])
    return answered
  }
