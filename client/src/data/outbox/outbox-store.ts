import { Dexie, liveQuery, type EntityTable } from 'dexie'
import { useSyncExternalStore } from 'react'
import type { ReportedProblem } from '@pine/contract'
import { asEntry } from './earlier-entries'
import type { OutboxEntry } from './outbox-entry'

type Row = OutboxEntry & {
  /** The order in which the device took them in, whichever tab. */
  readonly seq: number
  readonly id: string
}

type Tables = Dexie & { readonly outbox: EntityTable<Row, 'seq'> }

/**
 * What was entered on this device and is not with the server yet, in IndexedDB: tabs share it and none writes over
 * another's. What is entered is seen at once, and kept a moment later; where the browser keeps nothing, that is said.
 */
export class OutboxStore {
  private readonly database = new Dexie('pine-compass', { cache: 'disabled' }) as Tables
  private readonly listeners = new Set<() => void>()
  /** As the database tells it, a moment late: what was kept before, and what other tabs entered. */
  private rows: readonly OutboxEntry[] = []
  /** Entered on this page, in that order, until it is taken out here: a database that tells late takes nothing of it away. */
  private own: readonly OutboxEntry[] = []
  /** Taken out here, perhaps told by the database still. */
  private readonly gone = new Set<string>()
  /** Refused here, told by the database a moment later. */
  private readonly refusals = new Map<string, ReportedProblem>()
  private all: readonly OutboxEntry[] = []
  private isForbidden = false
  /** Once what was kept before is known. */
  readonly ready: Promise<void>

  constructor() {
    this.database.version(1).stores({ outbox: '++seq, &id' })
    this.ready = this.open()
  }

  readonly entries = (): readonly OutboxEntry[] => this.all

  /** Whether the browser refuses to keep what is entered: full, or forbidden. */
  readonly keepsNothing = (): boolean => this.isForbidden

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Resolves when it is kept, or when it is known that it cannot be. */
  async add(entry: OutboxEntry): Promise<void> {
    this.own = [...this.own, entry]
    this.notify()
    await this.write(() => this.database.outbox.add({ ...entry, id: entry.fact.id } as Row))
  }

  /** It stays, with the reason. */
  async refuse(factId: string, refused: ReportedProblem): Promise<void> {
    this.refusals.set(factId, refused)
    this.notify()
    await this.write(() => this.database.outbox.where('id').equals(factId).modify({ refused }))
  }

  async remove(factId: string): Promise<void> {
    this.gone.add(factId)
    this.own = this.own.filter(({ fact }) => fact.id !== factId)
    this.notify()
    await this.write(() => this.database.outbox.where('id').equals(factId).delete())
  }

  private async open(): Promise<void> {
    await this.write(async () => {
      await this.takeOver()
      this.show(await this.database.outbox.orderBy('seq').toArray())
      liveQuery(() => this.database.outbox.orderBy('seq').toArray()).subscribe({
        next: (rows) => this.show(rows),
        error: () => this.forbidden(),
      })
    })
  }

  private show(rows: readonly OutboxEntry[]): void {
    this.rows = rows.map(asEntry)
    this.notify()
  }

  private notify(): void {
    const here = new Set(this.own.map(({ fact }) => fact.id))
    const all = [...this.rows.filter(({ fact }) => !here.has(fact.id)), ...this.own]
      .filter(({ fact }) => !this.gone.has(fact.id))
      .map((entry) => {
        const refused = this.refusals.get(entry.fact.id)
        return refused === undefined ? entry : { ...entry, refused }
      })
    // The database repeats what was entered here: to whoever shows the list that is no change.
    if (!isSameList(all, this.all)) this.all = all
    for (const listener of this.listeners) listener()
  }

  private async write(work: () => PromiseLike<unknown>): Promise<void> {
    try {
      await work()
    } catch {
      this.forbidden()
    }
  }

  private forbidden(): void {
    this.isForbidden = true
    this.notify()
  }

  /** Entries that a version before this one kept in the browser's small store. */
  private async takeOver(): Promise<void> {
    const old = globalThis.localStorage?.getItem(OLD_KEY)
    if (!old) return
    const entries = JSON.parse(old) as readonly OutboxEntry[]
    await this.database.outbox.bulkPut(
      entries.map((entry) => ({ ...entry, id: entry.fact.id }) as Row),
    )
    globalThis.localStorage.removeItem(OLD_KEY)
  }
}

const isSameList = (one: readonly OutboxEntry[], other: readonly OutboxEntry[]): boolean =>
  one.length === other.length &&
  one.every(
    (entry, index) =>
      entry.fact.id === other[index]?.fact.id && entry.refused === other[index]?.refused,
  )

const OLD_KEY = 'pine.outbox'

export const outboxStore = new OutboxStore()

export const useOutbox = (): readonly OutboxEntry[] =>
  useSyncExternalStore(outboxStore.subscribe, outboxStore.entries)

export const useKeepsNothing = (): boolean =>
  useSyncExternalStore(outboxStore.subscribe, outboxStore.keepsNothing)
