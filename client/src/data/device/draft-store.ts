import { Dexie, type EntityTable } from 'dexie'
import { v4 as uuid } from 'uuid'

/** Something half typed: in which tab, for which step, and when. */
interface Row {
  readonly id: string
  readonly tab: string
  readonly key: string
  readonly value: unknown
  readonly at: number
}

type Tables = Dexie & { readonly drafts: EntityTable<Row, 'id'> }

/** What lies about for longer is nobody's any more. */
const OUTLIVED_MS = 30 * 86_400_000
/** So long other tabs have to say that they are there. */
const ANSWER_MS = 120

type TabMessage = { readonly asks: string } | { readonly answers: string }

/**
 * Half-typed things as rows by tab and step, in IndexedDB: no tab writes over another's. A tab has its own across a reload;
 * of tabs that are gone (a phone ends them without asking) it takes over what they had half typed, until it types itself.
 */
export class DraftStore {
  private readonly database = new Dexie('pine-compass-drafts', { cache: 'disabled' }) as Tables
  private readonly listeners = new Set<() => void>()
  private readonly own = new Map<string, unknown>()
  /** By step, of tabs that are gone. */
  private readonly left = new Map<string, Row>()
  private readonly tab = thisTab()
  private isLoaded = false
  /** Once what was half typed before is known. */
  readonly ready: Promise<void>

  constructor() {
    this.database.version(1).stores({ drafts: 'id, tab, at' })
    this.answerOthers()
    this.ready = this.load()
  }

  readonly loaded = (): boolean => this.isLoaded

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  has(key: string): boolean {
    return this.own.has(key) || this.left.has(key)
  }

  /** What this tab has half typed for a step, else what one that is gone had. */
  read(key: string): unknown {
    return this.own.has(key) ? this.own.get(key) : this.left.get(key)?.value
  }

  write(key: string, value: unknown): void {
    this.own.set(key, value)
    this.notify()
    const row = { id: `${this.tab} ${key}`, tab: this.tab, key, value, at: now() }
    void this.try(() => this.database.drafts.put(row))
  }

  /** It has become a fact, or is not wanted: this tab's, and what it had taken over. */
  clear(key: string): void {
    const taken = this.left.get(key)
    this.own.delete(key)
    this.left.delete(key)
    this.notify()
    const ids = [`${this.tab} ${key}`, ...(taken === undefined ? [] : [taken.id])]
    void this.try(() => this.database.drafts.bulkDelete(ids))
  }

  private async load(): Promise<void> {
    await this.try(async () => {
      await this.takeOver()
      await this.database.drafts
        .where('at')
        .below(now() - OUTLIVED_MS)
        .delete()
      const rows = await this.database.drafts.orderBy('at').toArray()
      const others = rows.some(({ tab }) => tab !== this.tab)
      const live = others ? await this.tabsThatAnswer() : new Set<string>()
      for (const row of rows)
        if (row.tab !== this.tab) {
          if (!live.has(row.tab)) this.left.set(row.key, row)
        } else if (!this.own.has(row.key)) this.own.set(row.key, row.value)
    })
    this.isLoaded = true
    this.notify()
  }

  private answerOthers(): void {
    if (typeof BroadcastChannel === 'undefined') return
    const channel = new BroadcastChannel(CHANNEL)
    channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if ('asks' in data && data.asks !== this.tab)
        channel.postMessage({ answers: this.tab } satisfies TabMessage)
    }
  }

  private async tabsThatAnswer(): Promise<ReadonlySet<string>> {
    const live = new Set<string>()
    if (typeof BroadcastChannel === 'undefined') return live
    const channel = new BroadcastChannel(CHANNEL)
    channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if ('answers' in data) live.add(data.answers)
    }
    channel.postMessage({ asks: this.tab } satisfies TabMessage)
    await new Promise((resolve) => setTimeout(resolve, ANSWER_MS))
    channel.close()
    return live
  }

  /** What a version before this one kept in one value of the browser's small store. */
  private async takeOver(): Promise<void> {
    const old = globalThis.localStorage?.getItem(OLD_KEY)
    if (!old) return
    const all = JSON.parse(old) as Readonly<Record<string, unknown>>
    await this.database.drafts.bulkPut(
      Object.entries(all).map(([key, value]) => ({
        ...{ id: `before ${key}`, tab: 'before', key, value, at: now() },
      })),
    )
    globalThis.localStorage.removeItem(OLD_KEY)
  }

  private notify(): void {
    for (const listener of this.listeners) listener()
  }

  /** A browser that keeps nothing must not stop the work at the machine: then it lives as long as the page. */
  private async try(work: () => PromiseLike<unknown>): Promise<void> {
    try {
      await work()
    } catch {
      // Full or forbidden: see above.
    }
  }
}

const OLD_KEY = 'pine.drafts'
const CHANNEL = 'pine-drafts'
const TAB_KEY = 'pine.tab'

const now = (): number => Date.now()

/** The same for a tab across its reloads, and another one for every tab that is opened, a copy of one included. */
function thisTab(): string {
  const [entry] = performance.getEntriesByType?.('navigation') ?? []
  const isReload = (entry as PerformanceNavigationTiming | undefined)?.type === 'reload'
  try {
    const before = isReload ? window.sessionStorage.getItem(TAB_KEY) : null
    const tab = before ?? uuid()
    window.sessionStorage.setItem(TAB_KEY, tab)
    return tab
  } catch {
    return uuid()
  }
}

export const draftStore = new DraftStore()
