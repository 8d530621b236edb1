import { AXES, type MachineAxis } from '../address/row'
import type { Chain } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import { readingOf, readingsById } from '../facts/readings-by-id'
import { isMeasuredSince } from './gauge-sizes'
import { homeFramesOf } from './home-frames'
import { instantOf } from './instant'
import type { Nanometres } from '../length/length'
import { axesRead, inMachinePosition } from '../quantities/quantities'
import { orderOf, placeAmong } from './order'
import { orderMatters, sensitivity } from './sensitivity'

/** Sums of coefficients below this are rounding: a mean of three leaves 1/3 + 1/3 + 1/3 − 1. */
const NOTHING = 1e-9
const DAY_MS = 86_400_000

/** Why a number no longer holds. */
export type StaleReason =
  | { readonly by: 'event'; readonly event: SetupEvent }
  /** One of its readings and something that moved it come from devices that did not know of each other: nobody said which was first. */
  | { readonly by: 'order'; readonly event: SetupEvent; readonly reading: string }
  /** It was taken over, and a tool that was taken over with it and touched again is elsewhere. */
  | {
      readonly by: 'check'
      readonly tool: number
      readonly reading: string
      readonly off: Nanometres
    }
  /** One of its readings is older than the shop allows. */
  | { readonly by: 'age'; readonly days: number; readonly readAt: string }

/** The name by which an acceptance refers to a reason. */
export function nameOfReason(reason: StaleReason): string {
  switch (reason.by) {
    case 'event':
      return reason.event.id
    case 'order':
      return `${reason.reading} ${reason.event.id}`
    case 'check':
      return reason.reading
    case 'age':
      return 'age'
  }
}

/**
 * The last event that a number no longer holds after, or may not, if there is one.
 *
 * One rule serves every event of docs/domain.md, “What ends a number”: a number is stale when what was moved does not
 * cancel out of its readings from before. So a tool length taken as tip minus nose outlives a moved
 * plane and a lost home, a length that was counted from the plane itself does not, and a
 * difference that mixes readings from before and after is found.
 */
export function staleBy(
  chain: Chain,
  document: SetupDocument,
): Extract<StaleReason, { by: 'event' | 'order' }> | undefined {
  const { events } = document
  if (events.length === 0) return undefined
  const readings = readingsById(document.readings)
  const placed = chain.terms.flatMap(({ source, coefficient, role }): readonly PlacedTerm[] => {
    // Both numbers of a reading on two axes carry its id; a gauge moves with the reading it lay at.
    const reading = readingOf(readings, source)
    return reading === undefined || role === 'lost-motion' ? [] : [{ reading, moves: coefficient }]
  })
  const homeIsGone = losesHome(placed, document)
  const lastLoss = events.findLast(({ kind }) => kind === 'home-lost')
  for (const event of events.toReversed()) {
    if (event.kind === 'check-failed' && isMeasuredSince(events, event)) continue
    const unordered = placed.find(
      ({ reading, moves }) =>
        Math.abs(moves * orderMatters(reading, event)) > NOTHING &&
        orderOf(reading, event, events) === 'unknown',
    )
    if (unordered !== undefined) return { by: 'order', event, reading: unordered.reading.id }
    const isMoved =
      event.kind === 'home-lost'
        ? event === lastLoss && homeIsGone
        : movedBy(event, placed, declaredLengths(event, chain), document) > NOTHING
    if (isMoved) return { by: 'event', event }
  }
  return undefined
}

interface PlacedTerm {
  readonly reading: Reading
  /** How much the number moves with what the reading read. */
  readonly moves: number
}

/**
 * How far a number moves with an event. A gauge that failed its check may have changed at any time since it was last
 * good, between two touches as well: there nothing cancels. Nor does it among what a broken cycle told.
 */
function movedBy(
  event: SetupEvent,
  terms: readonly PlacedTerm[],
  declared: number,
  document: Pick<SetupDocument, 'checkOffs' | 'events'>,
): number {
  const until = speaksUntil(event, document)
  let [together, each] = [declared, 0]
  for (const { reading, moves } of terms) {
    const place = placeAmong(reading, document.events)
    if (place > until) continue
    const moved = moves * sensitivity(reading, event)
    if (event.kind === 'check-failed' || place > event.place) each += Math.abs(moved)
    else together += moved
  }
  return Math.abs(together) + each
}

/**
 * Up to which place of the stream an event speaks of what is read: its own, but for a cycle that counts from another tool. That one
 * makes wrong what comes after it, until the machine is homed.
 */
function speaksUntil(event: SetupEvent, { checkOffs }: Pick<SetupDocument, 'checkOffs'>): number {
  if (event.kind !== 'cycle-broken') return event.place
  // Where each axis is homed by itself, the last of the three ends it.
  const open = new Set<MachineAxis>(AXES)
  const last = checkOffs.find((one) => {
    if (one.of !== 'home' || one.leftOut !== undefined || one.place < event.place) return false
    for (const axis of one.axes ?? AXES) open.delete(axis)
    return open.size === 0
  })
  return last?.place ?? Infinity
}

/** A tool that was changed is no longer as long as the sheet knows it. */
const declaredLengths = (event: SetupEvent, { terms }: Chain): number =>
  terms.reduce(
    (sum, { source, coefficient }) =>
      event.kind === 'tool-changed' && source.lengthOf === event.tool ? sum + coefficient : sum,
    0,
  )

/**
 * Whether a number leans on a zero that nothing relates to today's. Within one family of frames (home-frames.ts) its
 * readings are carried over; of another, they have to cancel among themselves.
 */
function losesHome(terms: readonly PlacedTerm[], document: SetupDocument): boolean {
  const sums = new Map<string, number>()
  for (const { reading, moves } of terms) {
    if (!inMachinePosition(reading)) continue
    // Both numbers of a reading on two axes carry its id: it is gone with either of them.
    for (const axis of axesRead(reading)) {
      const family = lostFamily(reading, axis, document)
      if (family === undefined) continue
      const key = `${axis} ${family}`
      sums.set(key, (sums.get(key) ?? 0) + moves)
    }
  }
  return [...sums.values()].some((sum) => Math.abs(sum) > NOTHING)
}

/** The family of frames that a reading stands in on an axis; undefined where it is today's. */
function lostFamily(
  reading: Reading,
  axis: MachineAxis,
  document: Pick<SetupDocument, 'events' | 'checkOffs'>,
): number | undefined {
  const { frameAt, familyOf, current } = homeFramesOf(document, axis)
  const family = familyOf(frameAt(placeAmong(reading, document.events)))
  return family === familyOf(current) ? undefined : family
}

/** Whether a reading was made before what an event moved, or may have been, and moves with it: then it is to be made again. */
export function isBehind(
  event: SetupEvent,
  reading: Reading,
  document: Pick<SetupDocument, 'events' | 'checkOffs'>,
): boolean {
  const { events } = document
  if (event.kind === 'check-failed' && isMeasuredSince(events, event)) return false
  if (orderMatters(reading, event) !== 0 && orderOf(reading, event, events) === 'unknown')
    return true
  const place = placeAmong(reading, events)
  if (event.kind === 'home-lost')
    return (
      inMachinePosition(reading) &&
      axesRead(reading).some((axis) => lostFamily(reading, axis, document) !== undefined)
    )
  return place < speaksUntil(event, document) && sensitivity(reading, event) !== 0
}

/** When the oldest reading of a number was entered; undefined for a number that has none. */
function oldestReading(chain: Chain): string | undefined {
  return chain.terms
    .flatMap(({ source }) => source.at ?? [])
    .reduce<string | undefined>(
      (first, at) => (first !== undefined && instantOf(first) <= instantOf(at) ? first : at),
      undefined,
    )
}

/**
 * The oldest reading of a number, if it is older than the shop allows.
 *
 * @param now ISO 8601 time at which it is asked.
 */
export function staleByAge(
  chain: Chain,
  days: number,
  now: string,
): Extract<StaleReason, { by: 'age' }> | undefined {
  const oldest = oldestReading(chain)
  return oldest !== undefined && instantOf(oldest) < instantOf(now) - days * DAY_MS
    ? { by: 'age', days, readAt: oldest }
    : undefined
}

/**
 * When the first of some numbers will be older than the shop allows; undefined where none grows old.
 *
 * @returns milliseconds since 1970, as `instantOf` gives them.
 */
export function oldFrom(chains: readonly Chain[], days: number): number | undefined {
  const moments = chains.flatMap((chain) => {
    const oldest = oldestReading(chain)
    return oldest === undefined ? [] : [instantOf(oldest) + days * DAY_MS]
  })
  return moments.length === 0 ? undefined : Math.min(...moments)
}
