import { axisOfFace } from '../touch/touch'
import { inMachinePosition, sensitivity } from '../freshness/sensitivity'
import type { Quantity, Reading, SetupDocument, SetupEvent } from './document'
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
  | {
      readonly of: 'edge-point'
      readonly row: OffsetRow
      readonly face: 'left' | 'right' | 'front' | 'back'
      readonly point: number
    }
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
    case 'edge-point':
      return `edge-point:${quantity.row}:${quantity.face}:${quantity.point}`
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
  if (quantity.of === 'face' || quantity.of === 'edge-point') return axisOfFace(quantity.face)
  // A point of a circle is read on both axes; gauges count as they do in X.
  return quantity.of === 'circle-point' || quantity.of === 'sweep' ? 'X' : 'Z'
}

/**
 * The readings of a quantity that still stand, in the order of the document: repeats all count.
 * Superseded ones do not, and neither do those from before something moved that was read again since.
 */
export function standingReadings(
  document: Pick<SetupDocument, 'readings' | 'events'>,
  quantity: QuantityName,
): readonly Reading[] {
  return standingByQuantity(document).get(quantityKey(quantity)) ?? NONE
}

const NONE: readonly Reading[] = []

// A set-up asks this for every tool and face, on every key that is typed: the list is sorted out
// once for each list of readings and of events, which are never changed after they were made.
const sortedOut = new WeakMap<
  readonly Reading[],
  { readonly events: SetupDocument['events']; readonly of: ReadonlyMap<string, readonly Reading[]> }
>()

/** What a reading stood on has moved; a home that was found again begins a new ground as well. */
const groundMoved = (reading: Reading, event: SetupEvent): boolean =>
  event.kind === 'home-recovered' ? inMachinePosition(reading) : sensitivity(reading, event) !== 0

function standingByQuantity({
  readings,
  events,
}: Pick<SetupDocument, 'readings' | 'events'>): ReadonlyMap<string, readonly Reading[]> {
  const known = sortedOut.get(readings)
  if (known?.events === events) return known.of
  const superseded = new Set(readings.map((reading) => reading.supersedes))
  const byQuantity = new Map<string, Reading[]>()
  for (const reading of readings) {
    if (superseded.has(reading.id)) continue
    const key = quantityKey(reading)
    const alike = byQuantity.get(key)
    if (alike === undefined) byQuantity.set(key, [reading])
    else alike.push(reading)
  }
  const standing = new Map(
    [...byQuantity].map(([key, all]) => {
      // What was read before its ground moved gives way to what was read after.
      const from = events.reduce((latest, event) => {
        const again = all.some(({ place }) => place > event.place)
        const moved = all.some(
          (reading) => reading.place < event.place && groundMoved(reading, event),
        )
        return again && moved ? Math.max(latest, event.place) : latest
      }, -1)
      return [key, all.filter(({ place }) => place > from)] as const
    }),
  )
  sortedOut.set(readings, { events, of: standing })
  return standing
}
