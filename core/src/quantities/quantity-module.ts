import type { Address } from '../address/address'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Fields, RecordOf } from '../fields/shape'
import type { SetupSheet } from '../sheet/sheet'
import type { GaugeKind, GaugePurpose } from '../touch/gauge-kinds'
import type { Face, PlanAxis, Side, Way } from '../touch/touch'
import type { Displayed } from './displayed'
import type { FieldKey } from './fields'
import type { StateTerm } from './state'

/** What a reading step says: where one is, what to do, what to beware of, what is read. */
export interface StepWords {
  readonly title: string
  readonly sentence: string
  readonly caution: string
  /** Name of the field. */
  readonly field: string
}

/** What the words of a touch depend on, beside the quantity itself. */
export interface TouchContext {
  /** Joined names of what lies between; empty where nothing does. */
  readonly gauge: string
  /** What the setting plane is. */
  readonly plane: string
  readonly toolName: (tool: number) => string
  /** The side of the feature that the row's plan touches along an axis. */
  readonly side: (row: OffsetRow, axis: PlanAxis) => Side
  readonly uses: (kind: GaugeKind) => boolean
  /** Whether this touch sets Z of a work offset. */
  readonly setsZ: boolean
  /** What is said of a gauge that turns, with its rated speed where it is known. */
  readonly finderCaution: string
}

/** What a number tells at once; the first that is known is shown. */
export type Finding =
  | {
      readonly of: 'register'
      readonly address: Address
      readonly isLength?: boolean
      /** The row and axis whose implied size stands beside it. */
      readonly size?: { readonly row: OffsetRow; readonly axis: PlanAxis }
    }
  | { readonly of: 'plane' }
  | { readonly of: 'part-top'; readonly row: OffsetRow }
  | { readonly of: 'face' }
  | { readonly of: 'edge'; readonly row: OffsetRow; readonly face: Face }

/** The other end of a difference on the counter. */
export interface OtherEnd {
  readonly gauges: readonly string[]
  readonly approach: Way | undefined
  readonly onPlane: boolean
}

/** From which side a screw was met: not asked, asked at a touch that says it by itself, asked since nobody can tell. */
export type WayQuestion = 'never' | 'in-z' | 'both-ends' | 'touch-in-plane' | 'unknown-in-plane'

/** What every reading says beside its quantity. */
export interface OwnEnd extends Displayed {
  readonly with: readonly string[]
  readonly approach?: Way
}

/** What a kind of reading is, whatever its fields. */
export interface QuantityFacts {
  /** The numbers that are read. */
  readonly reads: readonly FieldKey[]
  /** A counter does not know the machine's zero, nor does a micrometer. */
  readonly readIn: 'machine' | 'counter' | 'instrument'
  /** What stands in a chain for it. */
  readonly role: 'nose-at-contact' | 'tip-at-contact' | 'axis-at-contact' | 'counter' | 'diameter'
  /** Its contact was made on the setting plane: there a gauge's foot may stand higher or lower. */
  readonly onPlane?: boolean
  readonly way: WayQuestion
  readonly purpose: GaugePurpose
  /** What is usually between, the best first. */
  readonly usualGauges: readonly GaugeKind[]
}

/** What is asked of a quantity itself, by the fields that name it and those that it says beside. */
export interface QuantityQuestions<Name, Whole> {
  /** The axis that it is read on; of two it is X. It decides which share of a gauge counts. */
  readonly axis: (quantity: Name) => MachineAxis
  /** The unknowns that it is read for: read = Σ of these + gauges + backlash + zero. */
  readonly equation: (quantity: Whole) => readonly StateTerm[]
  readonly otherEnd?: (quantity: Whole, own: OwnEnd) => OtherEnd
  readonly findings: (quantity: Name, sheet: SetupSheet) => readonly Finding[]
  /** What a person calls it in a sentence about it. */
  readonly called: (quantity: Name) => string
  readonly words: (quantity: Name, context: TouchContext) => StepWords
}

/**
 * A kind of reading, and all that the house knows of it. What it reads is a linear form in a few states of the shop; the
 * chains, what an event makes stale and what a gauge counts follow from that.
 */
export interface QuantityModule<Named extends Fields, Extra extends Fields>
  extends QuantityFacts, QuantityQuestions<RecordOf<Named>, RecordOf<Named> & RecordOf<Extra>> {
  /** The fields that name it: two readings with the same ones read the same quantity. Their order is its key's. */
  readonly named: Named
  /** What it says beside, and may say otherwise the next time. */
  readonly extra: Extra
}

/** Types a module by its own fields. */
export const quantity = <const Named extends Fields, const Extra extends Fields>(
  module: QuantityModule<Named, Extra>,
): QuantityModule<Named, Extra> => module
