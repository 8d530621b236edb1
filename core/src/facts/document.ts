import type { Entered } from '../journal/entered'
import type { SetupSheet } from '../sheet/sheet'
import type { LIST_OF, ListedKind, SetupBodies } from './bodies/bodies'
import type { SetupEvent } from './bodies/event'

/** The facts of each kind in the order in which they stand in the stream. */
type Lists = {
  readonly [Kind in ListedKind as (typeof LIST_OF)[Kind]]: readonly (Kind extends 'event'
    ? SetupEvent
    : Entered & SetupBodies[Kind])[]
}

/** A set-up as it stands: its facts sorted by kind, each with its place in the stream (fold.ts). */
export interface SetupDocument extends Lists {
  readonly id: string
  /** The sheet that is in force, which replaced those before it. */
  readonly sheet: SetupSheet
  /** Where that sheet stands in the stream. */
  readonly sheetPlace: number
  /** How many facts it is made of: the place of the next one. */
  readonly length: number
  /** Place of the last fact that changed it: a record does not, nor a look at the file at the machine, nor putting it away. */
  readonly lastChange: number
}
