import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import { quantityKey, type QuantityName } from '../quantities/quantities'
import { orderOf } from './order'
import { isReadAlong, sensitivity } from './sensitivity'

/**
 * The readings of a quantity that still stand, in the order of the document: repeats all count.
 * Superseded ones do not, and neither do those from before something moved that was read again since, nor what was taken
 * over from an earlier set-up once it is read here.
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
  event.kind === 'home-recovered' ? isReadAlong(reading, event) : sensitivity(reading, event) !== 0

const isSameTouch = ({ kept: one }: Reading, { kept: other }: Reading): boolean =>
  one !== undefined && one.reading === other?.reading

/**
 * What was read before its ground moved gives way to what was read after; where nobody knows whether it was before, to
 * what surely was after.
 */
function sinceMoved(
  all: readonly Reading[],
  event: SetupEvent,
  events: SetupDocument['events'],
): readonly Reading[] {
  const orders = all.map((reading) => orderOf(reading, event, events))
  const isMoved = all.some(
    (reading, index) => orders[index] !== 'after' && groundMoved(reading, event),
  )
  if (!isMoved) return all
  const surely = all.filter((_, index) => orders[index] === 'after')
  if (surely.length > 0) return surely
  const perhaps = all.filter((_, index) => orders[index] === 'unknown')
  return perhaps.length > 0 ? perhaps : all
}

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
    // Two people who took over the same touch did not touch twice.
    else if (!alike.some((one) => isSameTouch(one, reading))) alike.push(reading)
  }
  const standing = new Map(
    [...byQuantity].map(([key, all]) => {
      const since = events.reduce<readonly Reading[]>(
        (standing, event) => sinceMoved(standing, event, events),
        all,
      )
      const here = since.filter(({ kept }) => kept === undefined)
      return [key, here.length > 0 ? here : since] as const
    }),
  )
  sortedOut.set(readings, { events, of: standing })
  return standing
}
