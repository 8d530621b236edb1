import type { Author, Via } from './entered'

/** What the shop keeps a stream of. */
export const STREAM_KINDS = ['setup', 'machine', 'gauge', 'tool'] as const

export type StreamKind = (typeof STREAM_KINDS)[number]

/** A fact as it is written: its place is where it stands in the list. */
export interface Fact<Kind extends string, Body> {
  readonly id: string
  readonly kind: Kind
  readonly by: Author
  readonly at: string
  readonly via: Via
  /** How many facts of the stream the device had when it was entered; all before it, where it is not said. */
  readonly seen?: number
  /** The browser that it was entered in, where it is said. */
  readonly device?: string
  readonly body: Body
}

/** The facts of a stream, told by a table of their bodies. */
export type FactOf<Bodies> = {
  readonly [Kind in keyof Bodies & string]: Fact<Kind, Bodies[Kind]>
}[keyof Bodies & string]

/** What a fact says, whoever enters it. */
export type BodyOf<Bodies> = {
  readonly [Kind in keyof Bodies & string]: { readonly kind: Kind; readonly body: Bodies[Kind] }
}[keyof Bodies & string]
