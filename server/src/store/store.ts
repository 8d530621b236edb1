import type { Found, Person, SetupSummary, ShopStream, StreamKind } from '@pine/contract'
import type { ChangedUses, ToolRow, ToolStore } from './tool-store'
import type { ArchiveStore } from './archive-store'
import type { Insertion, PeopleStore } from './people-store'
import type { LogStore } from './log-store'
import type { ImportStore } from './import-store'
import type { FactRow, NewFactRow } from './rows/fact-row'
import type { MachineStore } from './machine-store'

/** A stream without its facts. */
export interface StreamHead {
  readonly id: string
  readonly createdBy: Person
  readonly createdAt: Date
}

export interface SetupJson {
  readonly head: StreamHead
  /** As JSON, as a file has them: they go out as the database has them. */
  readonly facts: string
}

/** What is written at once: a fact, and what it makes of its set-up. */
export interface Appended {
  readonly fact: NewFactRow
  /** The set-up in the list, as it stands with the fact. */
  readonly summary: SetupSummary
  /** What a record freezes. */
  readonly frozen?: object
  /** What it tells of the shop's own tools, as far as that is new. */
  readonly uses?: ChangedUses
}

/** Which set-ups are listed: on one machine, as it is known and called, or on all of them. */
export interface ListedQuery {
  readonly away: boolean
  readonly standing?: 'open' | 'released' | undefined
  readonly machine?: { readonly id: string; readonly name: string } | undefined
  /** Each of which stands in the name of the job, of its machine or of whoever was last at it. */
  readonly words: readonly string[]
  readonly most: number
}

/** Set-ups as the list shows them. */
export interface Listed {
  /** As JSON, the youngest first: they go out as the database has them. */
  readonly json: string
  /** How many there are of all that were asked for. */
  readonly total: number
  /** Whether a number of one of them is too old by now that was not when its summary was written. */
  readonly isOvertaken: boolean
}

/** The latest declaration of a machine, a gauge or a tool. */
export interface DeclaredRow {
  readonly id: string
  readonly body: object
}

/** A check of a gauge. */
export interface CheckRow {
  readonly gaugeId: string
  readonly fact: FactRow
}

/** A set-up that was measured with a gauge. */
export interface GaugeUseRow {
  readonly summary: SetupSummary
  /** When the first of its readings with the gauge was recorded. */
  readonly from: Date
  readonly readings: number
  /** The last reading of the set-up from before that moment. */
  readonly lastGood?: string
  /** Somebody has said in it that the gauge failed its check, since. */
  readonly told: boolean
}

export interface NewProgramText {
  readonly sha256: string
  readonly bytes: Uint8Array
  readonly personId: string
  readonly at: Date
}

/** What the list shows of set-ups, kept. */
export interface SummaryStore {
  listed(query: ListedQuery, now: string): Promise<Listed>
  /** Has those of a machine worked out anew when they are next listed: more or less is asked of it now. */
  overtakeSummaries(
    machine: { readonly id: string; readonly name: string },
    now: string,
  ): Promise<void>
  /** Those in which a number is too old at a moment, and was not when they were written. */
  overtakenSummaries(now: string): Promise<readonly SetupSummary[]>
  /** Ids of set-ups that have no summary: those of a database from before there were any. */
  withoutSummary(): Promise<readonly string[]>
  /** Writes the summary of a set-up that has none; one that a fact wrote meanwhile stays. */
  addSummary(summary: SetupSummary): Promise<void>
  /** Puts a summary in the place of one that the clock has overtaken, unless a fact has written another meanwhile. */
  renewSummary(before: SetupSummary, now: SetupSummary): Promise<void>
  /** Writes what the list shows of a set-up and what it tells of tools, whatever stood there. */
  keepStanding(summary: SetupSummary, uses: ChangedUses): Promise<void>
}

/** What the use cases of one shop need kept. PostgreSQL serves it through TypeORM: typeorm-store.ts. */
export interface Store
  extends PeopleStore, MachineStore, ToolStore, SummaryStore, ArchiveStore, ImportStore, LogStore {
  /** Of the shop whose it is. */
  readonly shopId: string
  /** Fails where the database does not answer. */
  ping(): Promise<void>
  shop(): Promise<{ readonly id: string; readonly name: string }>
  /** Whether it is the demonstration's shop, or somebody's own; undefined while nobody has declared that. */
  isDemo(): Promise<boolean | undefined>
  declareDemo(demo: boolean): Promise<void>

  /** Writes a text under its hash, unless it is there already. */
  keepProgramText(text: NewProgramText): Promise<void>
  programText(sha256: string): Promise<Uint8Array | undefined>

  /** A few of each kind of things whose name or place holds every one of some words. */
  search(words: readonly string[]): Promise<Found>
  /** What every stream of a kind declares now, the oldest stream first. */
  declared(kind: Exclude<StreamKind, 'setup'>): Promise<readonly DeclaredRow[]>
  /** Begins a stream with its first fact, and the summary of a set-up. */
  beginStream(
    stream: { readonly id: string; readonly kind: StreamKind },
    first: NewFactRow,
    summary?: SetupSummary,
  ): Promise<Insertion>
  /** Every fact of the stream of a machine, a gauge or a tool; none where there is no such stream, `another` where it is one of another kind. */
  streamFacts(stream: {
    readonly kind: ShopStream
    readonly id: string
  }): Promise<readonly FactRow[] | 'another'>
  /**
   * Writes a fact at a place of such a stream, which begins at place 0; a tool stands so in the list from then on. It is `taken`
   * where a fact stands at that place already, or a fact with this id anywhere.
   */
  appendOutside(
    stream: { readonly kind: ShopStream; readonly id: string },
    place: number,
    fact: NewFactRow,
    tool?: ToolRow,
  ): Promise<'written' | 'taken'>
  /** Every check of every gauge, or of one, in the order of their streams. */
  checks(gaugeId?: string): Promise<readonly CheckRow[]>
  /** The set-ups in which something was read with a gauge after a moment, the youngest first. */
  usesOf(gaugeId: string, since: Date, most?: number): Promise<readonly GaugeUseRow[]>
  /** A set-up with all its facts; undefined where there is none. */
  setupJson(id: string): Promise<SetupJson | undefined>
  /** The facts of a stream from a place on. */
  factsFrom(streamId: string, place: number): Promise<readonly FactRow[]>
  /**
   * Writes a fact at a place of a stream, all that goes with it or nothing. It is `taken` where a fact stands at that place
   * already, or a fact with this id anywhere: whoever decided of it did not know all, or sends it a second time.
   */
  appendFact(stream: StreamHead, place: number, appended: Appended): Promise<'written' | 'taken'>

  /** Every set-up of the shop, by its id. */
  setupIds(): Promise<readonly string[]>
  /** What a record froze. */
  frozen(factId: string): Promise<object | undefined>
}
