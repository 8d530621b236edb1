import { AXES, type MachineAxis } from '../address/row'
import { repeatabilityMm } from '../budget/source-uncertainty'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { homeFramesOf, markedBefore } from '../freshness/home-frames'
import { sensitivity } from '../freshness/sensitivity'
import { standingReadings } from '../freshness/standing'
import { formatLength } from '../length/format-length'
import {
  FINEST_DECIMALS,
  NANOMETRES_PER,
  toNanometres,
  type Nanometres,
  type WrittenLength,
} from '../length/length'
import { nanometresOf } from '../length/read-length'
import { axesRead, isAxisPosition } from '../quantities/quantities'

/** A place whose machine position was read before home was lost, to be touched again. */
export interface KnownPlace {
  readonly axis: MachineAxis
  /** The reading that was made of it then. */
  readonly reading: Reading
  /** Machine position that it had when home was lost: as it was read, or carried over from a home that was lost before. */
  readonly was: Nanometres
}

/**
 * For each axis a place that was touched before home was lost and has not moved since. Touched again after homing, by switches or by
 * marks, it tells how far the new zero lies from the lost one. Empty where nothing was lost since home was found last.
 */
export function knownPlaces(document: SetupDocument): readonly KnownPlace[] {
  const { events, checkOffs, readings } = document
  const lost = events.findLast(({ kind }) => kind === 'home-lost')
  if (lost === undefined) return []
  const isHome = checkOffs.some(({ of, place }) => of === 'home' && place > lost.place)
  const isFound = events.some(({ kind, place }) => kind === 'home-recovered' && place > lost.place)
  if (isHome || isFound) return []
  // As if home had not been lost: what else moved since is no place to compare.
  const others = {
    readings: readings.filter(({ place }) => place < lost.place),
    events: events.filter((event) => event !== lost),
  }
  const standing = others.readings.filter(
    (reading) =>
      // Read off the work position it would be compared with another number: the row may be gone.
      reading.position === undefined &&
      isAxisPosition(reading) &&
      standingReadings(others, reading).includes(reading) &&
      others.events.every(
        (event) =>
          event.kind === 'home-lost' ||
          event.place < reading.place ||
          sensitivity(reading, event) === 0,
      ),
  )
  return AXES.flatMap((axis) =>
    standing
      .filter((one) => {
        const [only, ...more] = axesRead(one)
        return only === axis && more.length === 0
      })
      .flatMap((reading) => {
        const was = positionAtLoss(document, reading, axis)
        return was === undefined ? [] : [{ axis, reading, was }]
      })
      .slice(-1),
  )
}

/** Undefined where nothing relates the home that the place was read by to the one that was lost last. */
function positionAtLoss(
  document: SetupDocument,
  { place, read }: Reading,
  axis: MachineAxis,
): Nanometres | undefined {
  const { frameAt, familyOf, shiftFrom } = homeFramesOf(document, axis)
  // What is found again is related to this frame, and to no other: see home-frames.
  const lost = frameAt(markedBefore(document, Infinity))
  const frame = frameAt(place)
  if (familyOf(frame) !== familyOf(lost)) return undefined
  const shifts = [...shiftFrom(frame)].map(
    ([event, times]) => times * (nanometresOf(event.shift[axis]) ?? NaN),
  )
  const nm = shifts.reduce((sum, shift) => sum + shift, nanometresOf(read) ?? NaN)
  return Number.isNaN(nm) ? undefined : toNanometres(nm)
}

/** What an axis that was homed again may be off, by its switch or by its marks: more is another place or another switch. Common practice, no source. */
const FOUND_WITHIN_NM = { switches: 50_000, marks: 100_000 }
/** Further off it is no home that was found again, but a wrong digit, another place or a lost sign. Common practice, no source. */
const NEVER_BEYOND_NM = 2_000_000

/** A place that was touched again. */
export interface ComparedPlace {
  readonly axis: MachineAxis
  /** What the machine shows there now is what it showed before, plus this. */
  readonly shift: Nanometres
  /** How far that is from what the dials say of it; without dials, from a home that was found where it was. */
  readonly besides: Nanometres
  /** Further off than a switch usually is: `far` is told, and what is `beyond` belief carries no number over. */
  readonly off: 'near' | 'far' | 'beyond'
}

/** By axis, what the machine shows now less what it showed before. */
export type HomeShift = Readonly<Partial<Record<MachineAxis, WrittenLength>>>

export interface ComparedHome {
  readonly places: readonly ComparedPlace[]
  /** What relates the new zero to the lost one: none of an axis that nobody compared, or that differs beyond belief. */
  readonly recovered: {
    readonly shift: HomeShift
    /** One standard deviation of each that was touched, by two touches with the gauges of the first. */
    readonly uncertainty: HomeShift
  }
}

/**
 * What places tell that were touched again; an axis with nothing typed, or nothing that can be read, is not compared. Where dials
 * found the zero, a place that is touched is nearer to the truth than they are, and confirms that they stand in the right turn.
 *
 * @param byDials what the dials of a machine without switches say, of the axes whose mark was found.
 */
export function compareHome(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  places: readonly KnownPlace[],
  now: HomeShift,
  byDials: HomeShift = {},
): ComparedHome {
  const compared = places.flatMap(({ axis, reading, was }) => {
    const is = nanometresOf(now[axis])
    if (is === undefined) return []
    const shift = toNanometres(is - was)
    const besides = toNanometres(shift - (nanometresOf(byDials[axis]) ?? 0))
    const gauges = sheet.gauges.filter(({ id }) => reading.with.includes(id))
    const off = howFar(besides, sheet.machine.homing === 'marks' ? 'marks' : 'switches')
    return [{ axis, shift, besides, off, mm: Math.SQRT2 * repeatabilityMm(gauges) }]
  })
  const written = (nm: number): WrittenLength => ({
    text: formatLength(toNanometres(Math.round(nm)), sheet.unit, FINEST_DECIMALS[sheet.unit]),
    unit: sheet.unit,
  })
  const byAxis = (of: (one: (typeof compared)[number]) => number): HomeShift =>
    Object.fromEntries(
      compared.flatMap((one) => (one.off === 'beyond' ? [] : [[one.axis, written(of(one))]])),
    )
  const touched = new Set(compared.map(({ axis }) => axis))
  const untouched = Object.fromEntries(
    AXES.flatMap((axis) => {
      const shift = byDials[axis]
      return shift === undefined || touched.has(axis) ? [] : [[axis, shift]]
    }),
  )
  return {
    places: compared.map(({ axis, shift, besides, off }) => ({ axis, shift, besides, off })),
    recovered: {
      shift: { ...untouched, ...byAxis(({ shift }) => shift) },
      uncertainty: byAxis(({ mm }) => mm * NANOMETRES_PER.mm),
    },
  }
}

function howFar(besides: Nanometres, homing: keyof typeof FOUND_WITHIN_NM): ComparedPlace['off'] {
  if (Math.abs(besides) > NEVER_BEYOND_NM) return 'beyond'
  return Math.abs(besides) > FOUND_WITHIN_NM[homing] ? 'far' : 'near'
}
