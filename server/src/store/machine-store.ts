import type { Measured } from '@pine/core/facts'
import type { WrittenLength } from '@pine/core/length'
import type { FactRow } from './rows/fact-row'

/** What a register of a control was last seen to hold, or was told. */
export interface OffsetRow {
  readonly address: string
  /** Null where it was keyed by a difference or a position, and nobody read what stands there now. */
  readonly shown: WrittenLength | null
  /** It was read back; else only that it was typed is known. */
  readonly seen: boolean
  readonly at: Date
  readonly by: string
  readonly setup: string
  readonly name: string
}

/** What was measured of the first part of a job, by one fact of a set-up. */
export interface MeasuredRow {
  readonly setup: string
  readonly at: Date
  readonly by: string
  /** Of a check-off `measured`, of a correction `because` and `also`. */
  readonly body: {
    readonly measured?: readonly Measured[]
    readonly because?: Measured
    readonly also?: readonly Measured[]
  }
}

export interface MachineStore {
  /** What was measured of the parts of a job on a machine, in its last set-ups, the oldest first. */
  partsMeasured(
    machine: { readonly id: string; readonly name: string },
    job: string,
  ): Promise<readonly MeasuredRow[]>
  /** What a machine was declared to be and how its screws were tested, the youngest first. */
  machineFacts(machine: string): Promise<readonly FactRow[]>
  /** What its registers were last seen to hold, by address: in its last set-ups, by its id, or by its name where a sheet tells no more. */
  offsetsOf(machine: { readonly id: string; readonly name: string }): Promise<readonly OffsetRow[]>
}
