import type { CheckOff } from '../facts/document'
import type { Address } from '../address/address'
import type { OffsetRow } from '../address/row'
import type { QuantityName } from '../quantities/quantities'
import type { TrustState } from '../registers/register'

/** The stations of a set-up, in the order of work. */
export const STATIONS = [
  'ready',
  'reference',
  'lengths',
  'plan',
  'height',
  'key-in',
  'prove',
  'release',
] as const

export type Station = (typeof STATIONS)[number]

/** One thing to do. */
export type Step =
  | { readonly key: 'sheet'; readonly station: 'ready'; readonly does: 'sheet' }
  | {
      readonly key: string
      readonly station: Station
      readonly does: 'check'
      readonly check: CheckOff['of']
    }
  | {
      readonly key: string
      readonly station: 'reference' | 'lengths' | 'plan' | 'height'
      readonly does: 'read'
      readonly quantity: QuantityName
    }
  | {
      readonly key: string
      /** Where its number is known, or where all are keyed together. */
      readonly station: 'reference' | 'lengths' | 'plan' | 'height' | 'key-in'
      readonly does: 'key-in'
      readonly address: Address
    }
  | {
      readonly key: string
      readonly station: 'prove'
      readonly does: 'prove'
      readonly row: OffsetRow
      readonly tool: number
    }
  | { readonly key: 'record'; readonly station: 'release'; readonly does: 'record' }

export interface StepState {
  readonly step: Step
  readonly done: boolean
  readonly trust: TrustState
}
