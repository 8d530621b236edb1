import { AXES, type MachineAxis } from '../address/row'
import { repeatabilityMm } from '../budget/source-uncertainty'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
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
  readonly read: WrittenLength
}

/**
 * On a machine that homes by switches: for each axis a place that was touched before home was lost and has not moved since. Touched
 * again after homing, it tells how far the new zero lies from the lost one. Empty where nothing was lost since home was found last.
 */
export function knownPlaces(document: SetupDocument): readonly KnownPlace[] {
  const { sheet, events, checkOffs, readings } = document
  const lost = events.findLast(({ kind }) => kind === 'home-lost')
  if (lost === undefined || sheet.machine.homing === 'marks') return []
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
        (event) => event.place < reading.place || sensitivity(reading, event) === 0,
      ),
  )
  return AXES.flatMap((axis) => {
    const reading = standing.findLast((one) => {
      const [only, ...more] = axesRead(one)
      return only === axis && more.length === 0
    })
    return reading === undefined ? [] : [{ axis, reading, read: reading.read }]
  })
}

/** What an axis that has homed by its switch again may be off: more is another place, or another switch. Common practice, no source. */
const FOUND_WITHIN_NM = 50_000
/** Further off it is no switch that was found again, but a wrong digit, another place or a lost sign. Common practice, no source. */
const NEVER_BEYOND_NM = 2_000_000

/** A place that was touched again. */
export interface ComparedPlace {
  readonly axis: MachineAxis
  /** What the machine shows there now is what it showed before, plus this. */
  readonly shift: Nanometres
  /** Further off than a switch usually is: `far` is told, and what is `beyond` belief carries no number over. */
  readonly off: 'near' | 'far' | 'beyond'
}

export interface ComparedHome {
  readonly places: readonly ComparedPlace[]
  /** What relates the new zero to the lost one: none of an axis that nobody compared. */
  readonly recovered: {
    readonly shift: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
    /** One standard deviation of each, by two touches with the gauges of the first. */
    readonly uncertainty: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
  }
}

/** What places tell that were touched again; an axis with nothing typed, or nothing that can be read, is not compared. */
export function compareHome(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  places: readonly KnownPlace[],
  now: Readonly<Partial<Record<MachineAxis, WrittenLength>>>,
): ComparedHome {
  const compared = places.flatMap(({ axis, reading, read }) => {
    const [was, is] = [nanometresOf(read), nanometresOf(now[axis])]
    if (was === undefined || is === undefined) return []
    const shift = toNanometres(is - was)
    const gauges = sheet.gauges.filter(({ id }) => reading.with.includes(id))
    const touchMm = repeatabilityMm(gauges)
    return [{ axis, shift, off: howFar(shift), mm: Math.SQRT2 * touchMm }]
  })
  const written = (nm: number): WrittenLength => ({
    text: formatLength(toNanometres(Math.round(nm)), sheet.unit, FINEST_DECIMALS[sheet.unit]),
    unit: sheet.unit,
  })
  const byAxis = (of: (one: (typeof compared)[number]) => number) =>
    Object.fromEntries(
      compared.flatMap((one) => (one.off === 'beyond' ? [] : [[one.axis, written(of(one))]])),
    )
  return {
    places: compared.map(({ axis, shift, off }) => ({ axis, shift, off })),
    recovered: {
      shift: byAxis(({ shift }) => shift),
      uncertainty: byAxis(({ mm }) => mm * NANOMETRES_PER.mm),
    },
  }
}

function howFar(shift: Nanometres): ComparedPlace['off'] {
  if (Math.abs(shift) > NEVER_BEYOND_NM) return 'beyond'
  return Math.abs(shift) > FOUND_WITHIN_NM ? 'far' : 'near'
}
