import type { FactKind, Person, Via } from '@pine/contract'

/** A fact as it is kept: written once, never changed. Its place in its stream is its time. */
export interface FactRow {
  readonly id: string
  readonly kind: FactKind
  readonly body: object
  readonly via: Via
  readonly by: Person
  readonly recordedAt: Date
  /** How many facts of the stream its device had; all before it, where it is not said. */
  readonly seen?: number | undefined
  /** The browser that it was entered in, where it is said. */
  readonly device?: string | undefined
}

export type NewFactRow = Omit<FactRow, 'by'> & { readonly personId: string }
