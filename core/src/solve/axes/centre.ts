import { scaleChain, sumChains, valueOf, type Chain, type Term } from '../../chain/chain'
import { fitCircle, type CircleFit, type Point } from '../../features/circle'
import { sweepMove } from '../../features/sweep'
import { formatLength } from '../../length/format-length'
import { NANOMETRES_PER, toNanometres } from '../../length/length'
import { readLength } from '../../length/read-length'
import type { PlanAxis, Side, Way } from '../../touch/touch'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import type { OffsetRow } from '../../address/row'
import { millimetresOf, remainderOf } from './linearised'
import { quantityKey } from '../../quantities/quantities'
import { standingReadings } from '../../freshness/standing'
import { pointRead } from '../../sources/point-read'
import type { SourceReader } from '../../sources/sources'

type ReadingOf<Name extends Reading['of']> = Extract<Reading, { of: Name }>

/** A centre that was found from touches around it. */
export interface Centre {
  readonly X: Chain
  readonly Y: Chain
  /** The fit, where it was one; its radius is that of the spindle axis' positions. */
  readonly fit?: CircleFit
  /** Ids of what touched, so that the sensor's radius can be taken off the fit's. */
  readonly with: readonly string[]
  /** Place of the last of its readings in the stream. */
  readonly at: number
}

/**
 * Centre of a bore or boss from the positions of the spindle axis at three or more touches. The
 * sensor's radius shifts every point outwards alike and leaves the centre where it is.
 *
 * The circle is not linear in its points, so each chain holds the points with their Jacobian and
 * one more term that makes the sum the fitted centre: the rest of the house need not know.
 *
 * @param side tells which way the touches point, and so from which side each screw was met.
 */
export function circleCentre(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  side: Side,
): Centre | undefined {
  const readings = circlePoints(document, row)
  if (!haveOneSensor(sources, readings, row)) return undefined
  const about = roughCentre(readings, sources)
  const points = readings.map((reading) => {
    const radial = about && radialWays(pointRead(sources, reading), about, side)
    return {
      X: sources.reading(reading, radial?.X),
      Y: sources.readingY(reading, radial?.Y),
    }
  })
  const known = points.flatMap(({ X, Y }) => (X && Y ? [{ X, Y }] : []))
  if (known.length < points.length || placesAround(readings) < 3) return undefined
  const fitted = fitCircle(known.map(({ X, Y }) => ({ x: millimetresOf(X), y: millimetresOf(Y) })))
  if (!fitted.ok) {
    sources.note({ ...fitted.problem, place: `circle-point:${row}` })
    return undefined
  }
  const { centre, jacobian } = fitted.value
  const along = (axis: PlanAxis): Chain => {
    const moved = sumChains(
      ...known.flatMap(({ X, Y }, index) => {
        const share = jacobian[index]
        if (share === undefined) return []
        return axis === 'X'
          ? [scaleChain(X, share.xByX), scaleChain(Y, share.xByY)]
          : [scaleChain(X, share.yByX), scaleChain(Y, share.yByY)]
      }),
    )
    const target = toNanometres((axis === 'X' ? centre.x : centre.y) * NANOMETRES_PER.mm)
    return sumChains(
      moved,
      remainderOf(target - valueOf(moved), {
        id: `circle:${row}:${axis}`,
        name: 'linearised circle',
        role: 'circle-remainder',
      }),
    )
  }
  return {
    X: along('X'),
    Y: along('Y'),
    fit: fitted.value,
    with: readings[0]?.with ?? [],
    at: readings.at(-1)?.place ?? 0,
  }
}

/** At how many places it was touched: one that was touched twice tells a middle no better than once. */
const placesAround = (readings: readonly ReadingOf<'circle-point'>[]): number =>
  new Set(readings.map(quantityKey)).size

/** Touches with tips of different size lie on no common circle. */
function haveOneSensor(
  sources: SourceReader,
  readings: readonly ReadingOf<'circle-point'>[],
  row: OffsetRow,
): boolean {
  const [first = '', ...others] = new Set(
    readings.map((reading) => [...reading.with].sort().join(' + ')),
  )
  if (others.length === 0) return true
  sources.note({
    code: 'circle-sensors-differ',
    place: `circle-point:${row}`,
    received: others.join(', '),
    limit: first,
  })
  return false
}

/** Where the middle of the touches lies as they were read: near enough to tell which way each of them points. */
function roughCentre(
  readings: readonly ReadingOf<'circle-point'>[],
  sources: SourceReader,
): Point | undefined {
  const points = readings.flatMap((reading) => pointRead(sources, reading) ?? [])
  const fitted = fitCircle(points)
  return fitted.ok ? fitted.value.centre : undefined
}

/** An axis that takes less than this share of a touch was only moved to its place. */
const HARDLY = 0.02

/** The way each axis comes at a touch around a circle: outwards in a bore, inwards round a boss. */
function radialWays(
  point: Point | undefined,
  about: Point,
  side: Side,
): Readonly<Record<PlanAxis, Way>> | undefined {
  if (point === undefined) return undefined
  const outwards = { X: point.x - about.x, Y: point.y - about.y }
  const least = HARDLY * Math.hypot(outwards.X, outwards.Y)
  const towards = side === 'inside' ? 1 : -1
  const way = (axis: PlanAxis): Way => (towards * outwards[axis] > least ? '+' : '-')
  return { X: way('X'), Y: way('Y') }
}

/** The points that stand for a circle, in the order of their numbers. */
export function circlePoints(
  document: SetupDocument,
  row: OffsetRow,
): readonly ReadingOf<'circle-point'>[] {
  const seen = new Set<string>()
  return document.readings.flatMap((reading) => {
    if (reading.of !== 'circle-point' || reading.row !== row || seen.has(quantityKey(reading)))
      return []
    seen.add(quantityKey(reading))
    return standingReadings(document, reading).filter(
      (one): one is ReadingOf<'circle-point'> => one.of === 'circle-point',
    )
  })
}

/** Centre by a swept dial: the position it was swept at, moved by half the difference of opposite readings. */
export function sweptCentre(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  side: Side,
): Centre | undefined {
  const reading = standingReadings(document, { of: 'sweep', row }).findLast(
    (one): one is ReadingOf<'sweep'> => one.of === 'sweep',
  )
  if (reading === undefined) return undefined
  const position = { X: sources.reading(reading), Y: sources.readingY(reading) }
  const dial = sources.dial(reading)
  if (!position.X || !position.Y || !dial) return undefined
  // The move is linear in the dial: its coefficients are the moves for a dial that reads 1 on one side.
  // One that counts down when it is pushed in moves it the other way.
  const rises = reading.dialFalls === true ? -1 : 1
  const unit = { right: 0, back: 0, left: 0, front: 0 }
  const along = (axis: 'x' | 'y', start: Chain): Chain =>
    sumChains(
      start,
      ...(['right', 'back', 'left', 'front'] as const).map((face) =>
        scaleChain(dial[face], sweepMove({ ...unit, [face]: rises }, side === 'inside')[axis]),
      ),
    )
  return { X: along('x', position.X), Y: along('y', position.Y), with: [], at: 0 }
}

/** Diameter of the feature itself: the fit's, less what the sensor adds outside, plus what it takes inside. */
export function impliedDiameter(
  fit: CircleFit,
  sensorRadius: Chain,
  side: Side,
  row: OffsetRow,
): Chain {
  const axis = formatLength(toNanometres(2 * fit.radius * NANOMETRES_PER.mm), 'mm', 6)
  const length = readLength({ text: axis, unit: 'mm' })
  const base: readonly Term[] = length.ok
    ? [
        {
          source: {
            id: `circle:${row}:diameter`,
            kind: 'declared',
            name: 'circle through the touches',
            length: length.value,
          },
          coefficient: 1,
          role: 'circle-remainder',
        },
      ]
    : []
  return sumChains({ terms: base }, scaleChain(sensorRadius, side === 'outside' ? -2 : 2))
}
