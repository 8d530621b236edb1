import type { AxisMarks, CheckOff } from '../facts/bodies/check-off'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import type { MachineAxis } from '../address/row'

/**
 * Machine position of an axis has a zero, and a lost home begins another one: a frame. So does a home that was found again, and
 * it says how its frame lies to the one that its marks were written down in. Frames that are related so are one
 * family: numbers are carried over within it. What was read between a loss and its recovery stands in a frame of its
 * own, which nothing relates to any other. Each axis has its own: the marks of one may be found again, and those of another not.
 */
export interface HomeFrames {
  /** The frame that a fact was entered in, by its place in the stream. */
  readonly frameAt: (place: number) => number
  /** The same for two frames exactly when one can be carried over to the other. */
  readonly familyOf: (frame: number) => number
  /** The frame that is in force now. */
  readonly current: number
  /** What carries a number from its frame to the last one of its family: recoveries, each with the times that its shift is added. */
  readonly shiftFrom: (frame: number) => ReadonlyMap<HomeRecovery, number>
}

type FactsOfHome = Pick<SetupDocument, 'events' | 'checkOffs'>

export type HomeRecovery = Extract<SetupEvent, { kind: 'home-recovered' }>

// Asked for every reading on every key that is typed: worked out once for each list of events.
const workedOut = new WeakMap<
  FactsOfHome['events'],
  {
    readonly checkOffs: FactsOfHome['checkOffs']
    readonly frames: Readonly<Record<MachineAxis, HomeFrames>>
  }
>()

export function homeFramesOf({ events, checkOffs }: FactsOfHome, axis: MachineAxis): HomeFrames {
  const known = workedOut.get(events)
  if (known !== undefined && known.checkOffs === checkOffs) return known.frames[axis]
  const of = (one: MachineAxis) => workOut({ events, checkOffs }, one)
  const frames = { X: of('X'), Y: of('Y'), Z: of('Z') }
  workedOut.set(events, { checkOffs, frames })
  return frames[axis]
}

function workOut({ events, checkOffs }: FactsOfHome, axis: MachineAxis): HomeFrames {
  /** After which place each frame begins. */
  const begins: number[] = [-1]
  /** By frame: the frame that its marks belong to, and the event that says so. */
  const relatedTo = new Map<number, { readonly frame: number; readonly event: HomeRecovery }>()
  const frameAt = (place: number) => begins.findLastIndex((begin) => begin < place)
  for (const event of events) {
    if (event.kind === 'home-lost') begins.push(event.place)
    if (event.kind === 'home-recovered' && event.shift[axis] !== undefined) {
      const frame = frameAt(markedBefore({ events, checkOffs }, event.place))
      begins.push(event.place)
      relatedTo.set(begins.length - 1, { frame, event })
    }
  }
  const path = (frame: number): readonly HomeRecovery[] => {
    const to = relatedTo.get(frame)
    return to === undefined ? [] : [...path(to.frame), to.event]
  }
  const familyOf = (frame: number): number => {
    const to = relatedTo.get(frame)
    return to === undefined ? frame : familyOf(to.frame)
  }
  return {
    frameAt,
    familyOf,
    current: begins.length - 1,
    shiftFrom(frame) {
      const last = begins.findLastIndex((_, other) => familyOf(other) === familyOf(frame))
      const times = new Map<HomeRecovery, number>()
      for (const event of path(last)) times.set(event, (times.get(event) ?? 0) + 1)
      for (const event of path(frame)) times.set(event, (times.get(event) ?? 0) - 1)
      return times
    },
  }
}

/**
 * Where in the stream the marks were written down by which a home is found again: at the last home before it was
 * lost; where nobody wrote them down, in the frame that was lost last.
 *
 * @param place of the recovery, in the stream.
 */
export function markedBefore({ events, checkOffs }: FactsOfHome, place: number): number {
  const lost = events.findLast((event) => event.kind === 'home-lost' && event.place < place)
  if (lost === undefined) return place
  return homeBefore(checkOffs, lost.place)?.place ?? lost.place
}

/** The last home, with its marks, before a place in the stream. */
export function homeBefore(
  checkOffs: FactsOfHome['checkOffs'],
  place: number,
): (Extract<CheckOff, { of: 'home' }> & { readonly marks: AxisMarks }) | undefined {
  return checkOffs.findLast(
    (one): one is Extract<CheckOff, { of: 'home' }> & { readonly marks: AxisMarks } =>
      one.of === 'home' && one.marks !== undefined && one.place < place,
  )
}
