import type { Reading } from './bodies/reading'
import type { SetupDocument } from './document'
import type { SetupEvent } from './bodies/event'

type EventOf<Kind extends SetupEvent['kind']> = Extract<SetupEvent, { kind: Kind }>

/** The two touches of one tool, on the plane before it moved and after. */
export interface Rebase {
  readonly before: Reading
  readonly after: Reading
  /** What was read before this was read on the plane as it was. */
  readonly moved: SetupEvent
}

/**
 * What a tool that was touched before and after the plane moved tells of the move. Undefined when it
 * was not touched on one of the two, or when no plane moved before.
 */
export function rebaseOf(
  { readings, events }: Pick<SetupDocument, 'readings' | 'events'>,
  event: Pick<EventOf<'rebased'>, 'tool' | 'place'>,
): Rebase | undefined {
  const moved = events.findLast((one) => one.kind === 'plane-moved' && one.place < event.place)
  if (moved === undefined) return undefined
  const superseded = new Set(readings.map(({ supersedes }) => supersedes))
  const touches = readings.filter(
    (reading) =>
      reading.of === 'tip-on-plane' &&
      reading.tool === event.tool &&
      reading.place < event.place &&
      !superseded.has(reading.id),
  )
  const before = touches.findLast(({ place }) => place < moved.place)
  const after = touches.findLast(({ place }) => place > moved.place)
  return before && after && { before, after, moved }
}
