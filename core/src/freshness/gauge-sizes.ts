import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'

export type GaugeMeasured = Extract<SetupEvent, { kind: 'gauge-measured' }>
type CheckFailed = Extract<SetupEvent, { kind: 'check-failed' }>

/** A size that a gauge was found to have, and from where on it had it. */
interface MeasuredSize {
  readonly event: GaugeMeasured
  /** What was read after this place was read with a gauge of that size. */
  readonly from: number
}

type Events = SetupDocument['events']

// Asked for every gauge of every reading on every key that is typed: worked out once for each list of events.
const workedOut = new WeakMap<Events, ReadonlyMap<string, readonly MeasuredSize[]>>()

/**
 * The event that tells the size of a gauge at a place of the stream; undefined where the sheet's size stands.
 *
 * A failed check begins another generation of the size at its last good one; a gauge that is measured anew tells the size of
 * the generation that it is in, or of the one that begins now.
 */
export const measuredAt = (
  events: Events,
  gauge: string,
  place: number,
): GaugeMeasured | undefined =>
  measuredSizes(events)
    .get(gauge)
    ?.findLast(({ from }) => from < place)?.event

function measuredSizes(events: Events): ReadonlyMap<string, readonly MeasuredSize[]> {
  const known = workedOut.get(events)
  if (known !== undefined) return known
  const sizes = new Map<string, MeasuredSize[]>()
  for (const event of events) {
    if (event.kind !== 'gauge-measured') continue
    const before = sizes.get(event.gauge) ?? []
    const last = before.at(-1)
    // Of several that failed the last one begins the generation that was measured: what it was between them nobody knows.
    const failed = events.findLast(
      (one): one is CheckFailed =>
        one.kind === 'check-failed' &&
        one.gauge === event.gauge &&
        one.place < event.place &&
        one.place > (last?.event.place ?? -1),
    )
    const generation = failed?.goodThrough ?? last?.from ?? -1
    const from = event.since === 'now' ? event.place : generation
    sizes.set(event.gauge, [...before, { event, from }])
  }
  workedOut.set(events, sizes)
  return sizes
}

/**
 * Whether a failed check stands in nobody's way any more: what the gauge was since its last good one is known. A size that
 * tells of a later failure, or of now, leaves what was read before that as unsure as it was.
 */
export const isMeasuredSince = (events: Events, failed: CheckFailed): boolean =>
  (measuredSizes(events).get(failed.gauge) ?? []).some(
    ({ event, from }) => event.place > failed.place && from <= failed.goodThrough,
  )
