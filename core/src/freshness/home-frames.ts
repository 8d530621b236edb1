import type { SetupDocument } from '../setup/document'

/**
 * Machine position has a zero, and a lost home begins another one: a frame. So does a home that was found again, and
 * it says how its frame lies to the one that its marks were written down in. Frames that are related so are one
 * family: numbers are carried over within it. What was read between a loss and its recovery stands in a frame of its
 * own, which nothing relates to any other.
 */
export interface HomeFrames {
  /** The frame that a reading was made in, by its place in the document. */
  readonly frameOf: (index: number) => number
  /** The same for two frames exactly when one can be carried over to the other. */
  readonly familyOf: (frame: number) => number
  /** The frame that is in force now. */
  readonly current: number
  /**
   * What carries a number from its frame to the last one of its family: recovery events by their place, each with
   * the times that its shift is added.
   */
  readonly shiftFrom: (frame: number) => ReadonlyMap<number, number>
}

type FactsOfHome = Pick<SetupDocument, 'events' | 'checkOffs'>

// Asked for every reading on every key that is typed: worked out once for each list of events.
const workedOut = new WeakMap<
  NonNullable<SetupDocument['events']>,
  { readonly checkOffs: SetupDocument['checkOffs']; readonly frames: HomeFrames }
>()

export function homeFramesOf({ events = NONE, checkOffs }: FactsOfHome): HomeFrames {
  const known = workedOut.get(events)
  if (known !== undefined && known.checkOffs === checkOffs) return known.frames
  const frames = workOut(events, checkOffs ?? [])
  workedOut.set(events, { checkOffs, frames })
  return frames
}

const NONE: NonNullable<SetupDocument['events']> = []

function workOut(
  events: NonNullable<SetupDocument['events']>,
  checkOffs: NonNullable<SetupDocument['checkOffs']>,
): HomeFrames {
  /** Place of the first reading of each frame. */
  const begins: number[] = [0]
  /** By frame: the frame that its marks belong to, and the event that says so. */
  const relatedTo = new Map<number, { readonly frame: number; readonly event: number }>()
  const frameAfter = [0]
  events.forEach((event, index) => {
    if (event.kind === 'home-lost') begins.push(event.afterReadings)
    if (event.kind === 'home-recovered') {
      const marks = marksBefore(events, checkOffs, index)
      begins.push(event.afterReadings)
      relatedTo.set(begins.length - 1, { frame: frameAfter[marks] ?? 0, event: index })
    }
    frameAfter.push(begins.length - 1)
  })
  const path = (frame: number): readonly number[] => {
    const to = relatedTo.get(frame)
    return to === undefined ? [] : [...path(to.frame), to.event]
  }
  const familyOf = (frame: number): number => {
    const to = relatedTo.get(frame)
    return to === undefined ? frame : familyOf(to.frame)
  }
  return {
    frameOf: (index) => begins.findLastIndex((begin) => begin <= index),
    familyOf,
    current: begins.length - 1,
    shiftFrom(frame) {
      const last = begins.findLastIndex((_, other) => familyOf(other) === familyOf(frame))
      const times = new Map<number, number>()
      for (const event of path(last)) times.set(event, (times.get(event) ?? 0) + 1)
      for (const event of path(frame)) times.set(event, (times.get(event) ?? 0) - 1)
      return times
    },
  }
}

/**
 * After how many events the marks were written down by which a home was found again: at the last home before it was
 * lost; where nobody wrote them down, in the frame that was lost last.
 */
function marksBefore(
  events: NonNullable<SetupDocument['events']>,
  checkOffs: NonNullable<SetupDocument['checkOffs']>,
  recovered: number,
): number {
  const lost = events.findLastIndex(({ kind }, index) => kind === 'home-lost' && index < recovered)
  if (lost < 0) return recovered
  const written = checkOffs.findLast(
    (one) => one.of === 'home' && one.marks !== undefined && one.afterEvents <= lost,
  )
  return written?.afterEvents ?? lost
}
