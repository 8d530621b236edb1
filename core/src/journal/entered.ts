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
  /** The browser that it was entered in: what one device enters is in order, whatever it had seen of others. */
  readonly device?: string
  /**
   * Where it stands in its stream, from 0. That is its time: what came before it has a lower place, what came
   * after it a higher one.
   */
  readonly place: number
}

/** What a fact carries beside what it says: a field that is new on one side alone does not compile. */
const ENTRY: Readonly<Record<keyof Entered, true>> = {
  ...{ id: true, by: true, at: true, via: true },
  ...{ seen: true, device: true, place: true },
}

/** What a fact says, without who entered it, when, where and with what: as it would be entered anew. */
export const bodyOf = <Fact extends Entered>(fact: Fact): Omit<Fact, keyof Entered> =>
  Object.fromEntries(Object.entries(fact).filter(([name]) => !(name in ENTRY))) as Omit<
    Fact,
    keyof Entered
  >

/** Whether two facts come from one device; where a fact does not tell, from one person. */
const isSameDevice = (one: Entered, other: Entered): boolean =>
  one.device === undefined || other.device === undefined
    ? isSamePerson(one.by, other.by)
    : one.device === other.device

/**
 * Whether whoever entered the later of two facts of one stream knew of the earlier one. Where not, nobody can tell from
 * their places which of the two happened first. A fact that does not tell what was seen was entered beside the stream.
 */
export const knewOf = (later: Entered, earlier: Entered): boolean =>
  later.seen === undefined || later.seen > earlier.place || isSameDevice(later, earlier)

/** Whether the order of two facts of one stream in the world is known: whoever entered the later one knew of the other. */
export const isOrderKnown = (one: Entered, other: Entered): boolean =>
  one.place > other.place ? knewOf(one, other) : knewOf(other, one)

/** Whether two facts come from one person: by their ids, or by their names where a file tells no more. */
export const isSamePerson = (one: Author, other: Author): boolean =>
  one.id === undefined || other.id === undefined ? one.name === other.name : one.id === other.id
