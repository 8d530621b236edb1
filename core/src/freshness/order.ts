import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import { isOrderKnown } from '../journal/entered'

type Events = SetupDocument['events']
type OrderEvent = Extract<SetupEvent, { kind: 'order-told' }>

/** How a reading lies to an event: what a person told, what the devices knew, or nobody knows. */
export type Order = 'before' | 'after' | 'unknown'

// Asked for every reading of every number on every key that is typed: sorted out once for each list of events.
const sortedOut = new WeakMap<Events, ReadonlyMap<string, readonly OrderEvent[]>>()

/** What was told of the order of readings, by the reading; the last word on a pair counts. */
function ordersOf(events: Events): ReadonlyMap<string, readonly OrderEvent[]> {
  const known = sortedOut.get(events)
  if (known !== undefined) return known
  const byReading = new Map<string, OrderEvent[]>()
  for (const event of events) {
    if (event.kind !== 'order-told') continue
    byReading.set(event.reading, [...(byReading.get(event.reading) ?? []), event])
  }
  sortedOut.set(events, byReading)
  return byReading
}

/**
 * Whether a reading was made before or after something happened. Two devices that had not heard of each other do not tell:
 * then it is unknown until somebody says so, and a number that depends on it counts as the worse of both.
 */
export function orderOf(reading: Reading, event: SetupEvent, events: Events): Order {
  const orders = ordersOf(events)
    .get(reading.id)
    ?.findLast((one) => one.event === event.id)
  if (orders !== undefined) return orders.first === 'reading' ? 'before' : 'after'
  if (!isOrderKnown(reading, event)) return 'unknown'
  return reading.place < event.place ? 'before' : 'after'
}

/**
 * The place in the stream that a reading counts with beside events: its own, or right beside the event that somebody told
 * that it came before or after. Where the order is not known it is its own.
 */
export function placeAmong(reading: Reading, events: Events): number {
  const orders = ordersOf(events).get(reading.id)
  if (orders === undefined) return reading.place
  return orders.reduce((place, { event: id, first }) => {
    const event = events.find((one) => one.id === id)
    if (event === undefined) return place
    return first === 'reading'
      ? Math.min(place, event.place - BESIDE)
      : Math.max(place, event.place + BESIDE)
  }, reading.place)
}

/** Places are whole: this lies between an event and whatever stands next to it. */
const BESIDE = 0.5
