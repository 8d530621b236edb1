import type { CheckOff } from '../../facts/bodies/check-off'
import type { Address } from '../../address/address'
import type { MachineAxis, OffsetRow } from '../../address/row'
import type { QuantityName } from '../../quantities/quantities'
import type { TrustState } from '../../registers/register'

/** The stations of a set-up, in the order of work. */
export const STATIONS = [
  'ready',
  'reference',
  'lengths',
  'plan',
  'height',
  'key-in',
  'stops',
  'prove',
  'release',
] as const

export type Station = (typeof STATIONS)[number]

/** One thing to do. */
export type Step = {
  /** The tool to whose stop it belongs, where one tool is set at a time. */
  readonly stop?: number
} & (
  | { readonly key: 'sheet'; readonly station: 'ready'; readonly does: 'sheet' }
  | {
      readonly key: string
      readonly station: Station
      readonly does: 'check'
      readonly check: CheckOff['of']
    }
  | {
      readonly key: string
      readonly station: 'reference' | 'lengths' | 'plan' | 'height' | 'stops'
      readonly does: 'read'
      readonly quantity: QuantityName
    }
  | {
      readonly key: string
      /** Where its number is known, or where all are keyed together. */
      readonly station: 'reference' | 'lengths' | 'plan' | 'height' | 'key-in' | 'stops'
      readonly does: 'key-in'
      readonly address: Address
    }
  | {
      readonly key: string
      readonly station: 'prove' | 'stops'
      readonly does: 'prove'
      readonly row: OffsetRow
      readonly tool: number
    }
  | { readonly key: 'record'; readonly station: 'release'; readonly does: 'record' }
)

export interface StepState {
  readonly step: Step
  readonly done: boolean
  readonly trust: TrustState
  /** Of home, while it is open: the axes that are home already, where the machine homes each by itself. */
  readonly atHome?: readonly MachineAxis[]
}
