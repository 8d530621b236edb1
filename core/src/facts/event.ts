import type { Entered } from '../journal/entered'
import type { WrittenLength } from '../length/length'
import type { Face } from '../touch/touch'
import type { Address } from '../address/address'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Measured } from './measured'

/** A gauge did not read what it should. */
interface CheckFailed {
  readonly kind: 'check-failed'
  readonly gauge: string
  /** Id of the last reading that was made before its last good check; where it is not said, nothing vouches for any. */
  readonly lastGood?: string
}

/** What of a part is where it was on the one before it. */
export interface PartStays {
  readonly faces: readonly Face[]
  readonly top: boolean
}

type OtherEvent =
  | {
      readonly kind: 'part-changed'
      readonly row: OffsetRow
      /** What it shares with the one before: faces that stand at the same stop or jaw, a stock top of the same height. */
      readonly stays?: PartStays
    }
  | { readonly kind: 'plane-moved' }
  | { readonly kind: 'tool-changed'; readonly tool: number }
  | { readonly kind: 'home-lost' }
  /**
   * A tool was changed by hand, without the control’s own tool change: from here on its cycle on this fixed setter counts from a wrong tool, until the
   * machine is homed and the first tool touched anew.
   */
  | { readonly kind: 'cycle-broken'; readonly gauge: string }
  /** The external offset of an axis is now this; it replaces the sheet's. */
  | {
      readonly kind: 'external-changed'
      readonly axis: MachineAxis
      readonly value: WrittenLength
    }
  /**
   * The relative counter of an axis was zeroed: what it showed before counts from elsewhere. Where it was zeroed in machine position,
   * if that was read.
   */
  | {
      readonly kind: 'counter-zeroed'
      readonly axis: MachineAxis
      readonly machinePosition?: WrittenLength
    }
  /**
   * A row stands as the control shows it: set by somebody before, looked at and not touched here. It is proven like the others.
   */
  | {
      readonly kind: 'row-stands'
      readonly address: Address
      readonly holds: WrittenLength
      /** What the sheet called its face, or how far its zero lay below the stock top, then: another zero is another number. */
      readonly drawing?: WrittenLength
      /** Who set it, where that is known. */
      readonly whose?: string
    }
  /**
   * A tool was measured again with no job in hand: what its row held and what it should hold by the touches, and whether the row was
   * left as it is.
   */
  | {
      readonly kind: 'tool-rechecked'
      readonly tool: number
      readonly holds: WrittenLength
      readonly found: WrittenLength
      readonly kept: boolean
    }
  /** The control was switched to another unit: what it showed before proves nothing any more. */
  | { readonly kind: 'unit-changed' }
  /**
   * A gauge was measured anew: its true size. Since its last good check (or, where none failed, ever): what was read with
   * it is corrected. From now on: what was read before stays as it is, and stays suspect where a check failed.
   */
  | {
      readonly kind: 'gauge-measured'
      readonly gauge: string
      readonly size: WrittenLength
      readonly since: 'last-good' | 'now'
      /** Standard uncertainty of that size; as on the sheet, where it is not said. */
      readonly uncertainty?: WrittenLength
    }
  /** Of a reading and an event whose devices did not know of each other: which of the two came first. */
  | {
      readonly kind: 'order-told'
      readonly reading: string
      readonly event: string
      readonly first: 'reading' | 'event'
    }
  /** A register is put right by so much, as the row holds it, after a part or a block that its tool cut was measured. */
  | {
      readonly kind: 'corrected'
      readonly address: Address
      readonly amount: WrittenLength
      readonly because: Measured
    }
  /** This tool was touched again on a plane that had moved: lengths from before shift by the difference. */
  | { readonly kind: 'rebased'; readonly tool: number }
  /**
   * A lost home was found again by its marks: what the machine shows now is what it showed before,
   * plus this much, by axis. An axis that is not here has no marks, or they did not tell: its zero is a new one.
   */
  | {
      readonly kind: 'home-recovered'
      readonly shift: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
    }

/** Something changed that makes numbers stale: those that lean on what was read before it. */
export type EventBody = OtherEvent | CheckFailed

export type SetupEvent = Entered &
  (
    | OtherEvent
    | (CheckFailed & {
        /** Place of `lastGood`; −1 where there is none. */
        readonly goodThrough: number
      })
  )
