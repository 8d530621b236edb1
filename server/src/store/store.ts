import type { FactKind, MachineEntry, Person, ShopGauge } from '@pine/contract'
import type { Outcome } from '../refusal'

/** A fact as it is kept: written once, never changed. */
export interface FactRow {
  readonly id: string
  readonly setupId: string
  /** Order in which facts were accepted; clocks are not trusted for it. */
  readonly sequence: number
  readonly kind: FactKind
  readonly body: object
  readonly personId: string
  readonly personName: string
  readonly recordedAt: Date
}

export type NewFactRow = Omit<FactRow, 'sequence' | 'personName'>

export interface SetupRow {
  readonly id: string
  readonly createdByName: string
  readonly createdAt: Date
  readonly facts: readonly FactRow[]
}

export interface NewProgramText {
  readonly sha256: string
  readonly bytes: Uint8Array
  readonly personId: string
  readonly at: Date
}

export interface Credentials {
  readonly personId: string
  readonly pinHash: string
  readonly failedAttempts: number
  readonly lockedUntil: Date | null
}

/** Whether a row was written, or was there already (the same id, or the same unique name). */
export type Insertion = 'written' | 'id-exists' | 'name-exists'

/** What the use cases need kept. PostgreSQL serves it through TypeORM: typeorm-store.ts. */
export interface Store {
  people(): Promise<readonly Person[]>
  addPerson(person: Person & { readonly pinHash: string }, at: Date): Promise<Insertion>
  credentials(personId: string): Promise<Credentials | undefined>
  /** Counts a wrong PIN in the database, so that every process sees it; returns the new count. */
  countWrongPin(personId: string): Promise<number>
  lockUntil(personId: string, until: Date): Promise<void>
  forgetWrongPins(personId: string): Promise<void>

  openSession(tokenHash: string, personId: string, at: Date, expiresAt: Date): Promise<void>
  personOfSession(tokenHash: string, now: Date): Promise<Person | undefined>
  closeSession(tokenHash: string): Promise<void>

  machines(): Promise<readonly MachineEntry[]>
  addMachine(entry: MachineEntry, personId: string, at: Date): Promise<Insertion>
  gauges(): Promise<readonly ShopGauge[]>
  addGauge(entry: ShopGauge, personId: string, at: Date): Promise<Insertion>

  /** Writes a text under its hash, unless it is there already. */
  keepProgramText(text: NewProgramText): Promise<void>
  programText(sha256: string): Promise<Uint8Array | undefined>

  setups(): Promise<readonly SetupRow[]>
  setup(id: string): Promise<SetupRow | undefined>
  /** Writes a set-up and its first sheet together. */
  addSetup(id: string, sheet: NewFactRow): Promise<Insertion>
  /**
   * Appends a fact while no other fact can be appended to the same set-up. `decide` sees every
   * earlier fact and gives the body to write, or refuses. A fact with this id is returned as it is.
   */
  appendFact(
    fact: Omit<NewFactRow, 'body'>,
    decide: (setup: SetupRow) => Outcome<object>,
  ): Promise<Outcome<FactRow> | 'no-setup'>
}
