import type { NewFactOf, ReportedProblem } from '@pine/contract'
import type { Author, StreamKind } from '@pine/core/journal'

/** A fact that was entered here and is not yet known to be kept by the server. */
export interface EntryOf<Kind extends StreamKind> {
  /** What it is a fact of. */
  readonly stream: { readonly kind: Kind; readonly id: string }
  readonly fact: NewFactOf<Kind>
  /** The server does not know the stream before: the fact is the sheet that a set-up begins with. */
  readonly begins?: boolean
  /** Who entered it here; older entries of this device tell the name alone. */
  readonly by: Author | string
  readonly at: string
  /** Why the server refused it: it stays here, with the reason, until a person decides. */
  readonly refused?: ReportedProblem
  /** How many facts of the stream this device had from the server when it was entered. */
  readonly seen?: number
  /** This browser, as the fact will carry it. */
  readonly device?: string
}

export type OutboxEntry = { [Kind in StreamKind]: EntryOf<Kind> }[StreamKind]
export type SetupEntry = EntryOf<'setup'>

/** Whether an entry is of a set-up, or of another stream of this kind; one that is asked for by its id, where it is told. */
export const isOfStream =
  <Kind extends StreamKind>(kind: Kind, id?: string) =>
  (entry: OutboxEntry): entry is Extract<OutboxEntry, EntryOf<Kind>> =>
    entry.stream.kind === kind && (id === undefined || entry.stream.id === id)

/** What it is an entry of: one that the server fails at holds up no other's. */
export const streamOf = ({ stream }: OutboxEntry): string => `${stream.kind} ${stream.id}`
