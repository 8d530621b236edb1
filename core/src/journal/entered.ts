/** How a fact came in: by hand, from a control that was asked, as it happens, from a file, or from a stand-in. */
export const VIAS = ['typed', 'captured', 'live', 'imported', 'simulated'] as const

export type Via = (typeof VIAS)[number]

/** Who entered a fact. Files of version 1 tell only the name. */
export interface Author {
  readonly id?: string
  readonly name: string
}

/** A fact as it stands in its stream. */
export interface Entered {
  /** UUID v7, made where the fact was entered, so that a repeated request is the same fact. */
  readonly id: string
  readonly by: Author
  /** ISO 8601 with zone: to be shown, never compared with another to find an order. */
  readonly at: string
  readonly via: Via
  /**
   * How many facts of its stream the device had before it when it was entered: of those that came later, whoever entered
   * it knew nothing. All that stand before it, where it is not said.
   */
  readonly seen?: number
  /**
   * Where it stands in its stream, from 0. That is its time: what came before it has a lower place, what came
   * after it a higher one.
   */
  readonly place: number
}

/** Whether two facts come from one person: by their ids, or by their names where a file tells no more. */
export const isSamePerson = (one: Author, other: Author): boolean =>
  one.id === undefined || other.id === undefined ? one.name === other.name : one.id === other.id
