import type { Chain } from '../../chain/chain'
import type { ActiveLength, Stand } from '../../keyin/key-in'
import { nanometresOf, readLength } from '../../length/read-length'
import type { Nanometres } from '../../length/length'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { readingOf, readingsById } from '../../facts/readings-by-id'
import { standingReadings } from '../../freshness/standing'
import type { MachineAxis, OffsetRow } from '../../address/row'
import { countedFrom, isOnCounter } from '../../quantities/displayed'
import { quantityKey } from '../../quantities/quantities'

/** What a register is about: the touches of others may stand in its chain as well. */
export type Subject =
  | { readonly of: 'tool'; readonly tool: number }
  | { readonly of: 'row'; readonly row: OffsetRow }
  | { readonly of: 'plane' }

/** Where an axis stood at a touch, and when that was. */
export interface TouchedStand extends Stand {
  /** Place of the touch in the stream; absent where it stood nowhere. */
  readonly since?: number
  /** It stood there, with a length active that nobody has read off the control: it leaves no position to tell. */
  readonly lengthUnread?: true
}

/**
 * Where the axis stood at the touches that a register is counted from, the last one counting. Where its number comes
 * by a difference on a counter, or without a touch of its own, it stood nowhere.
 *
 * @param lengths what the control was seen to hold for each tool that it may take for active; undefined where it applies none.
 */
export function standOf(
  document: Pick<SetupDocument, 'readings' | 'events'>,
  chain: Chain,
  subject: Subject,
  axis: MachineAxis,
  lengths: ReadonlyMap<number, ActiveLength> | undefined,
): TouchedStand {
  // What was taken over was touched another day: no axis stood there now.
  const touches = touchesOf(document, chain).filter(
    (reading) => reading.kept === undefined && isTouchOf(subject, reading),
  )
  const last = touches.at(-1)
  const read = last && placeOn(axis, last)
  if (last === undefined || read === undefined) return {}
  if (last.position?.of === 'counter' || last.position?.of === 'counter-from')
    return { counter: read, since: last.place }
  // Of a work position only what its row held makes one of the machine.
  if (last.position !== undefined) return {}
  const at = read
  const tool = last.spindle?.controlSays ?? undefined
  const countsFrom = axis === 'Z' && tool !== undefined && lengths !== undefined
  const active = countsFrom ? lengths.get(tool) : undefined
  if (countsFrom && active === undefined) return { lengthUnread: true }
  const pair = middlePair(document, touches)
  return { at, since: last.place, ...(pair && { pair }), ...(active && { active }) }
}

/**
 * Tells of a touch whether the axes still stand there. They do until the next touch, wherever that is: whoever touches Y has
 * driven round the part in X, and whoever touches X has let Z down. What happens to the machine, a proof, a cut and a look
 * at the vise move them as well, and where the counter is halved they are driven to the middle. A micrometer moves none.
 */
export function stillStandsAt(
  document: Pick<
    SetupDocument,
    'readings' | 'events' | 'proofs' | 'checkOffs' | 'lifts' | 'keyIns' | 'sheetPlace'
  >,
): (since: number) => boolean {
  const { readings, events, proofs, checkOffs, lifts, keyIns, sheetPlace } = document
  const touched = readings.findLast((one) => one.kept === undefined && movesAxes(one))?.place ?? -1
  const moved = Math.max(
    sheetPlace,
    ...[events, proofs, checkOffs, lifts].map((facts) => facts.at(-1)?.place ?? -1),
    keyIns.findLast(({ mode }) => mode === 'halve')?.place ?? -1,
  )
  return (since) => since === touched && since > moved
}

const movesAxes = (reading: Reading): boolean => reading.of !== 'tool-diameter'

/**
 * The touches behind a number, in the order in which they were made. Round a circle one that weighs nothing in this
 * axis was made all the same, and the axis stands where the last one was.
 */
function touchesOf(
  document: Pick<SetupDocument, 'readings' | 'events'>,
  chain: Chain,
): readonly Reading[] {
  const byId = readingsById(document.readings)
  const inChain = [
    ...new Set(chain.terms.flatMap(({ source }) => readingOf(byId, source) ?? [])),
  ].sort((one, other) => one.place - other.place)
  const around = new Set<Reading['of']>(inChain.flatMap((one) => ('readY' in one ? [one.of] : [])))
  return around.size === 0
    ? inChain
    : document.readings.filter(
        (one) => around.has(one.of) && standingReadings(document, one).includes(one),
      )
}

/**
 * The places of two touches of opposite faces, one right after the other: repeats of one face have no middle to halve, and the
 * counter is zeroed at the first face only where the other was not read yet.
 */
function middlePair(
  { readings, events }: Pick<SetupDocument, 'readings' | 'events'>,
  touches: readonly Reading[],
): Stand['pair'] {
  const [first, second, ...more] = touches
  if (first?.of !== 'face' || second?.of !== 'face' || more.length > 0) return undefined
  if (first.face === second.face) return undefined
  // Two numbers of the display have no middle.
  if (first.position !== undefined || second.position !== undefined) return undefined
  const between = [...readings, ...events].some(
    ({ place }) => place > first.place && place < second.place,
  )
  const before = {
    readings: readings.filter(({ place }) => place < first.place),
    events: events.filter(({ place }) => place < first.place),
  }
  if (between || standingReadings(before, second).length > 0) return undefined
  const [from, to] = [readLength(first.read), readLength(second.read)]
  return from.ok && to.ok ? [from.value.nm, to.value.nm] : undefined
}

/** The gauge of a touch that nobody measured. */
export const roughGaugeAt = (
  { sheet }: Pick<SetupDocument, 'sheet'>,
  reading: Reading,
): string | undefined =>
  sheet.gauges.find(({ id, sizeRough }) => sizeRough === true && reading.with.includes(id))?.name

/** The readings of its own that a number cannot be counted from: what it would need does not cancel in it. */
export const unplacedIn = (
  document: Pick<SetupDocument, 'sheet' | 'readings' | 'events'>,
  chain: Chain,
  subject: Subject,
): readonly string[] => [
  ...new Set(
    touchesOf(document, chain)
      .filter(
        (reading) =>
          isOnCounter(reading) ||
          countedFrom(reading) !== undefined ||
          roughGaugeAt(document, reading) !== undefined,
      )
      .filter((reading, _, all) => isTouchOf(subject, reading) || all.length === 1)
      .map(quantityKey),
  ),
]

const placeOn = (axis: MachineAxis, reading: Reading): Nanometres | undefined =>
  nanometresOf(axis === 'Y' && 'readY' in reading ? reading.readY : reading.read)

/** Whether a machine position was read for this register itself. */
function isTouchOf(subject: Subject, reading: Reading): boolean {
  switch (subject.of) {
    case 'tool':
      return (
        (reading.of === 'tip-on-plane' || reading.of === 'tip-on-part') &&
        reading.tool === subject.tool
      )
    case 'plane':
      return reading.of === 'nose-on-plane' || reading.of === 'tip-on-plane'
    case 'row':
      return (
        'row' in reading &&
        reading.row === subject.row &&
        reading.of !== 'carried-difference' &&
        reading.of !== 'fixture-difference'
      )
  }
}
