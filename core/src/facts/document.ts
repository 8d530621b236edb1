import type { SetupSheet } from '../sheet/sheet'
import type {
  Acceptance,
  KeyIn,
  Note,
  ProgramChecked,
  ProgramRead,
  PutAway,
  ReadBack,
  Recorded,
} from './bodies'
import type { CheckOff } from './check-off'
import type { SetupEvent } from './event'
import type { Lift, Proof } from './proving'
import type { Reading } from './reading'

/** A set-up as it stands: its facts sorted by kind, each with its place in the stream (fold.ts). */
export interface SetupDocument {
  readonly id: string
  /** The sheet that is in force, which replaced those before it. */
  readonly sheet: SetupSheet
  /** Where that sheet stands in the stream. */
  readonly sheetPlace: number
  readonly readings: readonly Reading[]
  readonly keyIns: readonly KeyIn[]
  readonly readBacks: readonly ReadBack[]
  readonly events: readonly SetupEvent[]
  readonly acceptances: readonly Acceptance[]
  readonly proofs: readonly Proof[]
  readonly lifts: readonly Lift[]
  readonly checkOffs: readonly CheckOff[]
  readonly programs: readonly ProgramRead[]
  readonly programChecks: readonly ProgramChecked[]
  readonly records: readonly Recorded[]
  readonly putAways: readonly PutAway[]
  readonly notes: readonly Note[]
  /** How many facts it is made of: the place of the next one. */
  readonly length: number
  /** Place of the last fact that changed it: a record does not, nor a look at the file at the machine, nor putting it away. */
  readonly lastChange: number
}
