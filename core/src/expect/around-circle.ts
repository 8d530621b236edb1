import { valueOf } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { fitCircle, type Point } from '../features/circle'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength, type ReadLength } from '../length/read-length'
import { quantityKey } from '../quantities/quantities'
import { circlePoints } from '../solve/axes/centre'
import { pointRead } from '../sources/point-read'
import { SourceReader } from '../sources/sources'
import type { Belief } from './believe'
import type { ExpectedTouch } from './expect-reading'
import { surpriseAt, type Surprise } from './surprise'

type CircleTouch = Extract<ExpectedTouch, { of: 'circle-point' }> &
  Pick<Extract<Reading, { of: 'circle-point' }>, 'read'>

/** The circle on which the spindle axis stands at a touch: its middle, its radius, and how sure the radius is. Millimetres. */
interface TouchCircle {
  readonly centre: Point
  readonly radius: number
  readonly standard: number
}

/** A bore or a boss that was machined (value from memory), where the drawing asks for less. */
const MACHINED_MM = 0.05

/**
 * Whether a touch around a circle is a surprise beside the others: two of them and the drawing's diameter leave two circles, three or
 * more leave one. What one of its two numbers should be follows from the other, so the number that a usual slip explains is
 * named, and else the one that lies further off.
 *
 * Undefined before the third touch, and where it lies as near as the drawing's tolerance asks.
 */
export function surpriseAround(document: SetupDocument, touch: CircleTouch): Surprise | undefined {
  const [x, y] = [readLength(touch.read), readLength(touch.readY)]
  // What another number of the display should show is not told apart here.
  if (!x.ok || !y.ok || touch.position !== undefined) return undefined
  const circles = circlesOf(document, touch)
  const point = { x: mmOf(x.value), y: mmOf(y.value) }
  const [nearest] = circles.toSorted((one, other) => missOf(one, point) - missOf(other, point))
  if (nearest === undefined || missOf(nearest, point) <= FAR) return undefined
  const found = [
    ...surprisesAlong(document, circles, x.value, point.y, 'x'),
    ...surprisesAlong(document, circles, y.value, point.x, 'y'),
  ]
  return (
    found.find(({ slip }) => slip !== undefined) ??
    found.toSorted((one, other) => farFrom(one, point) - farFrom(other, point))[0] ?? {
      expected: onCircle(nearest, point),
      number: 'read',
    }
  )
}

/** How many standard deviations a point lies off a circle. */
const missOf = ({ centre, radius, standard }: TouchCircle, { x, y }: Point): number =>
  Math.abs(Math.hypot(x - centre.x, y - centre.y) - radius) / standard

const farFrom = ({ expected, number }: Surprise, { x, y }: Point): number =>
  Math.abs(expected.mm - (number === 'read' ? x : y))

/** X of the point of a circle that lies towards another point: where both numbers are off, neither follows from the other. */
function onCircle({ centre, radius, standard }: TouchCircle, { x, y }: Point): Belief {
  const away = Math.hypot(x - centre.x, y - centre.y)
  return {
    mm: centre.x + ((x - centre.x) / away) * radius,
    standardMm: standard,
    because: BY_CIRCLE,
  }
}

const BY_CIRCLE: Belief['because'] = [{ of: 'circle' }]

/** So many standard deviations off the circle and it is looked at. */
const FAR = 5

/** The drawing's circles through the touches that stand, without the one that is made anew. */
function circlesOf(document: SetupDocument, touch: CircleTouch): readonly TouchCircle[] {
  const own = quantityKey(touch)
  const others = circlePoints(document, touch.row).filter((one) => quantityKey(one) !== own)
  const sources = new SourceReader(document)
  const points = others.flatMap((one) => pointRead(sources, one) ?? [])
  const drawn = drawnRadius(document, touch)
  if (points.length < 2 || drawn === undefined) return []
  const [one, two] = points
  if (points.length === 2 && one !== undefined && two !== undefined)
    return centresThrough(one, two, drawn).map((centre) => ({ ...drawn, centre }))
  const fitted = fitCircle(points)
  return fitted.ok ? [{ ...drawn, centre: fitted.value.centre, radius: fitted.value.radius }] : []
}

/** The radius at which the spindle axis stands: the drawing's, less the sensor's in a bore and with it round a boss. */
function drawnRadius(
  document: SetupDocument,
  touch: CircleTouch,
): Pick<TouchCircle, 'radius' | 'standard'> | undefined {
  const plan = document.sheet.offsets.find(({ row }) => row === touch.row)?.X
  if (plan?.by !== 'circle') return undefined
  const [diameter, tolerance] = [readLength(plan.diameter), readLength(plan.tolerance)]
  const sensor = new SourceReader(document).gaugeSum(touch.with, 'X', {
    of: touch.of,
    place: quantityKey(touch),
    at: document.length,
  })
  if (!diameter.ok || !tolerance.ok || sensor === undefined) return undefined
  const tip = valueOf(sensor) / NANOMETRES_PER.mm
  return {
    radius: mmOf(diameter.value) / 2 + (plan.side === 'inside' ? -tip : tip),
    standard: Math.max(mmOf(tolerance.value) / 2, MACHINED_MM),
  }
}

/** The middles of the circles of a radius through two points: two, or none where they lie too far apart; more where they lie opposite. */
function centresThrough(
  one: Point,
  two: Point,
  drawn: Pick<TouchCircle, 'radius' | 'standard'>,
): readonly Point[] {
  const chord = Math.hypot(two.x - one.x, two.y - one.y)
  if (chord === 0) return []
  const middle = { x: (one.x + two.x) / 2, y: (one.y + two.y) / 2 }
  const across = { x: -(two.y - one.y) / chord, y: (two.x - one.x) / chord }
  return heightsOver(chord / 2, drawn)
    .flatMap((height) => [height, -height])
    .map((along) => ({ x: middle.x + along * across.x, y: middle.y + along * across.y }))
}

/**
 * How far a middle may lie from the chord between two touches: √(r² − (c/2)²). Where they lie opposite each other a hair of the radius
 * moves it by much: then anywhere up to where all that the drawing allows would put it, in steps that a touch tells apart.
 */
function heightsOver(
  half: number,
  { radius, standard }: Pick<TouchCircle, 'radius' | 'standard'>,
): readonly number[] {
  const heightAt = (r: number) => Math.sqrt(Math.max(r ** 2 - half ** 2, 0))
  const height = heightAt(radius)
  const most = heightAt(radius + FAR * standard)
  // Touches further apart than the circle allows have no middle but their own.
  if (height > Math.sqrt(2 * radius * FAR * standard) || most === 0) return [height]
  const steps = Math.ceil(most / (FAR * standard))
  return Array.from({ length: steps + 1 }, (_, step) => (most * step) / steps)
}

/** What one of the two numbers should be, the other one given, on each circle that the other one reaches. */
function surprisesAlong(
  { sheet }: SetupDocument,
  circles: readonly TouchCircle[],
  typed: ReadLength,
  other: number,
  axis: 'x' | 'y',
): readonly Surprise[] {
  const { unit, machine } = sheet
  return circles.flatMap(({ centre, radius, standard }) => {
    const beside = other - (axis === 'x' ? centre.y : centre.x)
    if (Math.abs(beside) > radius + FAR * standard) return []
    const reach = Math.sqrt(Math.max(radius ** 2 - beside ** 2, 0))
    // Where the circle runs along the axis a little of the one number is much of the other, but no more than this.
    const most = Math.sqrt(2 * radius * standard)
    const standardMm = Math.min(standard * (radius / Math.max(reach, Number.EPSILON)), most)
    const from = axis === 'x' ? centre.x : centre.y
    return [from + reach, from - reach].flatMap((mm): readonly Surprise[] => {
      const found = surpriseAt({ mm, standardMm, because: BY_CIRCLE }, typed, {
        unit,
        decimals: machine.control.decimals[unit],
        declared: [],
        others: [],
      })
      return found ? [{ ...found, number: axis === 'x' ? 'read' : 'readY' }] : []
    })
  })
}

const mmOf = ({ nm }: Pick<ReadLength, 'nm'>): number => nm / NANOMETRES_PER.mm

/** Whether both numbers of a touch around a circle are there. */
export const isCircleTouch = (
  reading: ExpectedTouch & { readonly read: WrittenLength },
): reading is CircleTouch => reading.of === 'circle-point'
