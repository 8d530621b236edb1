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

export interface MachineStore {
  /** What a machine was declared to be and how its screws were tested, the youngest first. */
  machineFacts(machine: string): Promise<readonly FactRow[]>
  /** What its registers were last seen to hold, by address: in its last set-ups, by its id, or by its name where a sheet tells no more. */
  offsetsOf(machine: { readonly id: string; readonly name: string }): Promise<readonly OffsetRow[]>
}
