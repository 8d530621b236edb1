import type { ControlMade, RowName, WorkRow } from '../control'
import type { SlideMade } from '../iron'
import type { Axis, Place } from '../kit'
import type { Assembly, Fixed } from '../shop'

/** How a machine is made, and what stands in it. Nanometres. */
export interface StandInMade {
  readonly name: string
  readonly slides: Readonly<Record<Axis, SlideMade>>
  readonly control: ControlMade
  /** Whether it finds its home by switches; else a person drives to marks. */
  readonly hasSwitches: boolean
  /** Tools by their pocket, or by the number that a person loads. */
  readonly tools: readonly Assembly[]
  readonly bodies: Fixed
  /** Rapid and the fastest hand, nanometres a minute. */
  readonly rapid: number
  /** What its rows hold before anybody comes. */
  readonly rows?: Readonly<Record<RowName, number>>
}

/** What a machine shows of itself: everything that its display and its agent tell, and nothing that is only true. */
export interface Shown {
  readonly isOn: boolean
  readonly isHomed: Readonly<Record<Axis, boolean>>
  /** Nanometres, as displayed. */
  readonly machine: Place
  readonly work: Place
  readonly counter: Place
  readonly toGo: Place
  readonly isMoving: boolean
  readonly mode: 'hand' | 'program' | 'block-by-block'
  readonly execution: 'ready' | 'active' | 'interrupted' | 'stopped' | 'ended'
  readonly emergencyStop: boolean
  readonly alarm?: string
  /** The tool that the control takes for the one in the spindle; undefined for none. */
  readonly tool: number | undefined
  readonly row: WorkRow
  readonly lengthRow: RowName | undefined
  /** Turns a minute; below zero backwards. */
  readonly spindle: number
  readonly rapidOverride: number
  readonly program?: { readonly name: string; readonly line: number; readonly block: string }
  readonly rows: readonly (readonly [RowName, number])[]
}
