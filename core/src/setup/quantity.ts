import { axisOfFace } from '../touch/touch'
import type { Quantity, Reading } from './document'
import type { OffsetRow } from './sheet'

/** A quantity without the circumstances that change from reading to reading. */
export type QuantityName =
  | { readonly of: 'nose-on-plane' }
  | { readonly of: 'tip-on-plane'; readonly tool: number }
  | {
      readonly of: 'face'
      readonly row: OffsetRow
      readonly face: 'left' | 'right' | 'front' | 'back'
    }
  | { readonly of: 'circle-point'; readonly row: OffsetRow; readonly point: number }
  | { readonly of: 'sweep'; readonly row: OffsetRow }
  | { readonly of: 'nose-on-part'; readonly row: OffsetRow }
  | { readonly of: 'tip-on-part'; readonly tool: number; readonly row: OffsetRow }
  | { readonly of: 'tool-diameter'; readonly tool: number }
  | { readonly of: 'fixture-difference'; readonly row: OffsetRow; readonly from: OffsetRow }
  | { readonly of: 'carried-difference'; readonly row: OffsetRow }

/** A short text that is the same for two readings exactly when they read the same quantity. */
export function quantityKey(quantity: Quantity | QuantityName): string {
  switch (quantity.of) {
    case 'nose-on-plane':
      return 'nose-on-plane'
    case 'tip-on-plane':
      return `tip-on-plane:T${quantity.tool}`
    case 'face':
      return `face:${quantity.row}:${quantity.face}`
    case 'tip-on-part':
      return `tip-on-part:${quantity.row}:T${quantity.tool}`
    case 'tool-diameter':
      return `tool-diameter:T${quantity.tool}`
    case 'fixture-difference':
      return `fixture-difference:${quantity.row}:${quantity.from}`
    case 'circle-point':
      return `circle-point:${quantity.row}:${quantity.point}`
    case 'sweep':
    case 'nose-on-part':
    case 'carried-difference':
      return `${quantity.of}:${quantity.row}`
  }
}

/** The axis that the quantity is read on; it decides which share of a gauge counts. */
export function axisOfQuantity(quantity: Quantity | QuantityName): 'X' | 'Y' | 'Z' {
  if (quantity.of === 'face') return axisOfFace(quantity.face)
  // A point of a circle is read on both axes; gauges count as they do in X.
  return quantity.of === 'circle-point' || quantity.of === 'sweep' ? 'X' : 'Z'
}

/**
 * The readings of a quantity that still stand, in the order of the document: repeats all count,
 * superseded ones do not.
 */
export function standingReadings(
  readings: readonly Reading[],
  quantity: QuantityName,
): readonly Reading[] {
  return standingByQuantity(readings).get(quantityKey(quantity)) ?? NONE
}

const NONE: readonly Reading[] = []

// A set-up asks this for every tool and face, on every key that is typed: the list is sorted out
// once for each list of readings, which is never changed after it was made.
const sortedOut = new WeakMap<readonly Reading[], ReadonlyMap<string, readonly Reading[]>>()

function standingByQuantity(readings: readonly Reading[]): ReadonlyMap<string, readonly Reading[]> {
  const known = sortedOut.get(readings)
  if (known !== undefined) return known
  const superseded = new Set(readings.map((reading) => reading.supersedes))
  const byQuantity = new Map<string, Reading[]>()
  for (const reading of readings) {
    if (superseded.has(reading.id)) continue
    const key = quantityKey(reading)
    const alike = byQuantity.get(key)
    if (alike === undefined) byQuantity.set(key, [reading])
    else alike.push(reading)
  }
  sortedOut.set(readings, byQuantity)
  return byQuantity
}
