import type { StreamKind } from '@pine/core/journal'
import type { FactRow } from './rows/fact-row'

/** Where a page of the log ended: the next one begins before it. */
export interface LogCursor {
  readonly at: Date
  readonly stream: string
  readonly place: number
}

/** Which facts are asked for; each that is said narrows them. */
export interface LogQuery {
  readonly before?: LogCursor | undefined
  readonly person?: string | undefined
  readonly machine?: string | undefined
  readonly tool?: string | undefined
  readonly gauge?: string | undefined
  /** `G54.X`, `H3`. */
  readonly register?: string | undefined
  /** From the beginning of one moment to that of another. */
  readonly from?: Date | undefined
  readonly to?: Date | undefined
  readonly most: number
}

/** A fact with the stream that it is of. */
export interface LoggedFact {
  readonly stream: { readonly id: string; readonly kind: StreamKind }
  readonly place: number
  readonly fact: FactRow
}

/** Every fact of every stream, in order. */
export interface LogStore {
  /** A page of the facts that were asked for, the youngest first. */
  loggedFacts(query: LogQuery): Promise<readonly LoggedFact[]>
  /** The first fact of streams of the shop, and the last sheet of set-ups: what their facts are told by. */
  declarationsOf(streams: readonly string[]): Promise<ReadonlyMap<string, object>>
}
