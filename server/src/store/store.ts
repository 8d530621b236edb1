import type { Person, SetupSummary, StreamKind, FactKind, Via } from '@pine/contract'
import type { Outcome } from '../refusal'

/** A fact as it is kept: written once, never changed. Its place in its stream is its time. */
export interface FactRow {
  readonly id: string
  readonly kind: FactKind
  readonly body: object
  readonly via: Via
  readonly by: Person
  readonly recordedAt: Date
}

export type NewFactRow = Omit<FactRow, 'by'> & { readonly personId: string }

/** A stream without its facts. */
export interface StreamHead {
  readonly id: string
  readonly createdBy: Person
  readonly createdAt: Date
}

export interface StreamRow extends StreamHead {
  /** From the place on that was asked for. */
  readonly facts: readonly FactRow[]
}

/** What is written together with a fact. */
export interface Decided {
  readonly body: object
  /** The set-up in the list, as it stands with the fact. */
  readonly summary: SetupSummary
  /** What a record freezes. */
  readonly frozen?: object
}

export interface AppendedFact extends Pick<FactRow, 'kind' | 'body'> {
  /** False where a fact with its id was there before. */
  readonly isNew: boolean
}

/** The latest declaration of a machine, a gauge or a tool. */
export interface DeclaredRow {
  readonly id: string
  readonly body: object
}

export interface NewProgramText {
  readonly sha256: string
  readonly bytes: Uint8Array
  readonly personId: string
  readonly at: Date
}

/** How trying PINs slows down. */
export interface PinPause {
  /** Tries in a row without a pause. */
  readonly freeTries: number
  /** Seconds of the first pause; it doubles with every further try, up to the longest. */
  readonly first: number
  readonly longest: number
}

export interface PinTry {
  /** Tries in a row, this one counted in. */
  readonly tries: number
  /** The pause that follows if this one is wrong. */
  readonly lockedUntil: Date | null
}

export interface Credentials {
  readonly personId: string
  readonly pinHash: string
  readonly failedAttempts: number
  readonly lockedUntil: Date | null
}

/** Whether a row was written, or was there already (the same id, or the same unique name). */
export type Insertion = 'written' | 'id-exists' | 'name-exists'

/** What the use cases of one shop need kept. PostgreSQL serves it through TypeORM: typeorm-store.ts. */
export interface Store {
  /** Fails where the database does not answer. */
  ping(): Promise<void>
  shop(): Promise<{ readonly id: string; readonly name: string }>

  people(): Promise<readonly Person[]>
  addPerson(person: Person & { readonly pinHash: string }, at: Date): Promise<Insertion>
  credentials(personId: string): Promise<Credentials | undefined>
  /**
   * Counts a try before its PIN is looked at, and locks the name from the last free one on, in one statement: tries that
   * come at once are counted one after the other, in whichever process.
   *
   * @returns what the try is worth; undefined where the name is locked.
   */
  countTry(personId: string, now: Date, pause: PinPause): Promise<PinTry | undefined>
  forgetWrongPins(personId: string): Promise<void>

  openSession(tokenHash: string, personId: string, at: Date, expiresAt: Date): Promise<void>
  personOfSession(tokenHash: string, now: Date): Promise<Person | undefined>
  closeSession(tokenHash: string): Promise<void>

  /** Writes a text under its hash, unless it is there already. */
  keepProgramText(text: NewProgramText): Promise<void>
  programText(sha256: string): Promise<Uint8Array | undefined>

  /** What every stream of a kind declares now, the oldest stream first. */
  declared(kind: Exclude<StreamKind, 'setup'>): Promise<readonly DeclaredRow[]>
  /** Begins a stream with its first fact, and the summary of a set-up. */
  beginStream(
    stream: { readonly id: string; readonly kind: StreamKind },
    first: NewFactRow,
    summary?: SetupSummary,
  ): Promise<Insertion>
  /** A stream of a kind with its facts from a place on; all of them where it is not said. */
  stream(kind: StreamKind, id: string, from?: number): Promise<StreamRow | undefined>
  /**
   * Appends a fact while no other fact can be appended to the same stream. `decide` sees the stream's facts from a place
   * on and gives what to write, or refuses. A fact with this id is returned as it is, and is not written.
   */
  appendFact(
    streamId: string,
    fact: Omit<NewFactRow, 'body'>,
    from: number,
    decide: (stream: StreamRow) => Outcome<Decided>,
  ): Promise<Outcome<AppendedFact> | 'no-stream'>

  /** Every set-up in the list, the youngest first. */
  summaries(): Promise<readonly SetupSummary[]>
  /** Ids of set-ups that have no summary: those of a database from before there were any. */
  withoutSummary(): Promise<readonly string[]>
  /** Writes the summary of a set-up that has none; one that a fact wrote meanwhile stays. */
  addSummary(summary: SetupSummary): Promise<void>
  /** Puts a summary in the place of one that the clock has overtaken, unless a fact has written another meanwhile. */
  renewSummary(before: SetupSummary, now: SetupSummary): Promise<void>
  /** What a record froze. */
  frozen(factId: string): Promise<object | undefined>
}
