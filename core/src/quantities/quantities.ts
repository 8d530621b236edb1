import type { MachineAxis } from '../address/row'
import { carriedDifference } from './kinds/carried-difference'
import { circlePoint } from './kinds/circle-point'
import { edgePoint } from './kinds/edge-point'
import { face } from './kinds/face'
import { fixtureDifference } from './kinds/fixture-difference'
import { noseOnPart } from './kinds/nose-on-part'
import { noseOnPlane } from './kinds/nose-on-plane'
import { sweep } from './kinds/sweep'
import { tipOnPart } from './kinds/tip-on-part'
import { tipOnPlane } from './kinds/tip-on-plane'
import { toolDiameter } from './kinds/tool-diameter'
import type { Field, Fields, RecordOf } from '../fields/shape'
import type { Displayed } from './displayed'
import type { FieldKey } from './fields'
import type { QuantityFacts, QuantityQuestions } from './quantity-module'

/** Every kind of reading. To add one, see "Add a quantity" in docs/development.md. */
export const QUANTITIES = {
  'nose-on-plane': noseOnPlane,
  'tip-on-plane': tipOnPlane,
  face,
  'circle-point': circlePoint,
  'edge-point': edgePoint,
  sweep,
  'nose-on-part': noseOnPart,
  'tip-on-part': tipOnPart,
  'tool-diameter': toolDiameter,
  'fixture-difference': fixtureDifference,
  'carried-difference': carriedDifference,
} as const

type Modules = typeof QUANTITIES

export type QuantityKind = keyof Modules

/** A quantity without the circumstances that change from reading to reading. */
export type QuantityName = {
  readonly [Kind in QuantityKind]: { readonly of: Kind } & RecordOf<Modules[Kind]['named']>
}[QuantityKind]

/** Which quantity a reading is a reading of, with what it says beside its number. */
export type Quantity = {
  readonly [Kind in QuantityKind]: { readonly of: Kind } & RecordOf<Modules[Kind]['named']> &
    RecordOf<Modules[Kind]['extra']>
}[QuantityKind]

/** The module of a quantity, for whoever asks it about that quantity and not about another. */
export const moduleOf = ({ of }: Pick<QuantityName, 'of'>) =>
  QUANTITIES[of] as unknown as QuantityFacts &
    QuantityQuestions<QuantityName, Quantity> & { readonly named: Fields }

/**
 * A short text that is the same for two readings exactly when they read the same quantity.
 *
 * @example quantityKey({ of: 'tip-on-plane', tool: 4 }) // 'tip-on-plane:T4'
 */
export function quantityKey(quantity: Quantity | QuantityName): string {
  const fields = quantity as unknown as Readonly<Record<string, string | number>>
  return Object.entries(moduleOf(quantity).named).reduce(
    (key, [name, field]) => `${key}:${isTool(field) ? 'T' : ''}${fields[name]}`,
    quantity.of as string,
  )
}

/**
 * The quantity that a key names; undefined for a text that is no key of one.
 *
 * @example quantityOfKey('face:G54:left') // { of: 'face', row: 'G54', face: 'left' }
 */
export function quantityOfKey(key: string): QuantityName | undefined {
  const [of = '', ...values] = key.split(':')
  if (!isQuantityKind(of)) return undefined
  const fields = Object.entries<Field>(QUANTITIES[of].named)
  if (values.length !== fields.length) return undefined
  const named = fields.map(([name, field], index) => {
    const value = values[index] ?? ''
    if (isTool(field)) return [name, Number(value.replace(/^T/, ''))]
    return [name, field.shape.is === 'number' ? Number(value) : value]
  })
  if (named.some(([, value]) => Number.isNaN(value))) return undefined
  return { of, ...Object.fromEntries(named) } as QuantityName
}

const isTool = ({ shape }: Field): boolean => shape.is === 'leaf' && shape.target === 'tools'

const isQuantityKind = (of: string): of is QuantityKind => Object.hasOwn(QUANTITIES, of)

/**
 * The axis that the quantity is read on; it decides which share of a gauge counts.
 *
 * @example axisOfQuantity({ of: 'face', row: 'G54', face: 'left' }) // 'X'
 */
export const axisOfQuantity = (quantity: Quantity | QuantityName): MachineAxis =>
  moduleOf(quantity).axis(quantity)

/**
 * Whether it counts from the machine's zero: a counter does not know it, nor does a micrometer. A work position does, by the row that
 * was active.
 */
export const inMachinePosition = (reading: Pick<QuantityName, 'of'> & Displayed): boolean =>
  isAxisPosition(reading) && (reading.position?.of ?? 'work') === 'work'

/** Whether an axis stands at a touch when it is read, whichever number of the display that is. */
export const isAxisPosition = (quantity: Pick<QuantityName, 'of'>): boolean =>
  moduleOf(quantity).readIn === 'machine'

/** The numbers that one reading is made of, in the order in which they are read. */
export const readingFields = (quantity: Pick<QuantityName, 'of'>): readonly FieldKey[] =>
  moduleOf(quantity).reads

/** The axes that it is read on. */
export const axesRead = (quantity: Quantity | QuantityName): readonly MachineAxis[] =>
  readingFields(quantity).includes('readY') ? ['X', 'Y'] : [axisOfQuantity(quantity)]
