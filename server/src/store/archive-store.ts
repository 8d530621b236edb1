import type { Role, StreamKind } from '@pine/contract'
import type { NewFactRow } from './rows/fact-row'

/** Somebody of a shop, without what lets them in. */
export interface ArchivedPerson {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly isProgram: boolean
  readonly createdAt: string
  /** When they left; null of who is here. */
  readonly leftAt: string | null
}

export interface StreamKey {
  readonly id: string
  readonly kind: StreamKind
}

/** What is put into an empty shop, all of it or nothing. */
export interface Restoring {
  person(person: ArchivedPerson): Promise<void>
  /** A stream with all its facts, in their order. */
  stream(stream: StreamKey, facts: readonly NewFactRow[]): Promise<void>
  frozen(factId: string, content: object): Promise<void>
  program(sha256: string, bytes: Uint8Array): Promise<void>
}

/** A shop as a whole: what an archive takes out of it and puts into another. */
export interface ArchiveStore {
  archivedPeople(): Promise<readonly ArchivedPerson[]>
  /** Every stream, the oldest first. */
  streamKeys(): Promise<readonly StreamKey[]>
  /** Ids of the releases that froze something. */
  frozenIds(): Promise<readonly string[]>
  /** Hashes of the program texts that are kept. */
  programHashes(): Promise<readonly string[]>
  /**
   * Puts a whole shop in. Nothing is written where `work` fails, and nothing where the shop has a stream already.
   *
   * @returns `not-empty` where the shop has a stream, `known-here` where another shop of the same database has some of it.
   */
  restoreInto(
    work: (into: Restoring) => Promise<void>,
  ): Promise<'restored' | 'not-empty' | 'known-here'>
}
