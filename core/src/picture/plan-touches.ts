import { fitCircle, type Point } from '../features/circle'
import { nanometresOf } from '../length/read-length'
import { toNanometres, type Nanometres } from '../length/length'
import { circlePoints } from '../solve/axes/centre'
import { edgeTouches } from '../solve/axes/edges'
import type { SetupDocument } from '../facts/document'
import { quantityKey, type QuantityName } from '../quantities/quantities'
import { standingReadings } from '../freshness/standing'
import { pointRead } from '../sources/point-read'
import { SourceReader } from '../sources/sources'
import { sideOf, type OffsetPlan } from '../sheet/offset-plan'
import { approachDirection, axisOfFace, type Face } from '../touch/touch'

/** A touch that is not a whole face: a point around a circle, or along an edge. */
export interface PlanTouch {
  readonly role: 'read' | 'next' | 'to-touch'
  /** Where the sensor meets the part, in the program's coordinates. */
  readonly x: Nanometres
  readonly y: Nanometres
  /** Unit step of the sensor into the part. */
  readonly dx: number
  readonly dy: number
}

export interface PlanCircle {
  readonly x: Nanometres
  readonly y: Nanometres
  readonly radius: Nanometres
  readonly side: 'inside' | 'outside'
}

/** Quarter turns first, then between them: four touches spread as far as they can be. */
const TURNS = [0, 90, 180, 270, 45, 135, 225, 315]

/** The circle that X and Y of an offset are found by; undefined where it is none, or one of its numbers cannot be read. */
export function planCircle({ X, Y }: OffsetPlan): PlanCircle | undefined {
  if ((X.by !== 'circle' && X.by !== 'sweep') || (Y.by !== 'circle' && Y.by !== 'sweep'))
    return undefined
  const [x, y] = [nanometresOf(X.drawing), nanometresOf(Y.drawing)]
  // A sweep is drawn as a point with its dial around it.
  const diameter = X.by === 'circle' ? nanometresOf(X.diameter) : toNanometres(0)
  if (x === undefined || y === undefined || diameter === undefined) return undefined
  return { x, y, radius: toNanometres(diameter / 2), side: sideOf(X) }
}

/** The touches around a circle and along edges, with the one that is made now. */
export function planTouches(
  document: SetupDocument,
  offset: OffsetPlan,
  circle: PlanCircle | undefined,
  box: Readonly<Record<Face, Nanometres>>,
  focus: QuantityName | undefined,
): readonly PlanTouch[] {
  const roleOf = (quantity: QuantityName): PlanTouch['role'] =>
    focus !== undefined && quantityKey(focus) === quantityKey(quantity)
      ? 'next'
      : standingReadings(document, quantity).length > 0
        ? 'read'
        : 'to-touch'
  return [
    ...(circle ? aroundCircle(document, offset, circle, focus, roleOf) : []),
    ...edgeTouches(document, offset).flatMap((quantity) =>
      quantity.of === 'edge-point'
        ? [{ role: roleOf(quantity), ...alongEdge(quantity.face, quantity.point, box) }]
        : [],
    ),
  ]
}

function aroundCircle(
  document: SetupDocument,
  { row, X }: OffsetPlan,
  circle: PlanCircle,
  focus: QuantityName | undefined,
  roleOf: (quantity: QuantityName) => PlanTouch['role'],
): readonly PlanTouch[] {
  if (X.by === 'sweep') {
    const role = roleOf({ of: 'sweep', row })
    return TURNS.slice(0, 4).map((turn) => ({ role, ...onCircle(circle, radians(turn)) }))
  }
  const read = circlePoints(document, row)
  const sources = new SourceReader(document)
  const angles = readAngles(read.flatMap((one) => pointRead(sources, one) ?? []))
  const last = focus?.of === 'circle-point' && focus.row === row ? focus.point : 0
  const count = Math.max(4, last, ...read.map(({ point }) => point))
  return Array.from({ length: count }, (_, index): PlanTouch => {
    const role = roleOf({ of: 'circle-point', row, point: index + 1 })
    const place = read.findIndex(({ point }) => point === index + 1)
    const angle = (role === 'read' ? angles?.[place] : undefined) ?? radians(TURNS[index % 8] ?? 0)
    return { role, ...onCircle(circle, angle) }
  })
}

/** Where the touches lie around their own circle, once there are enough for one. */
function readAngles(points: readonly Point[]): readonly number[] | undefined {
  const fitted = points.length < 3 ? undefined : fitCircle(points)
  if (!fitted?.ok) return undefined
  const { centre } = fitted.value
  return points.map(({ x, y }) => Math.atan2(y - centre.y, x - centre.x))
}

function onCircle({ x, y, radius, side }: PlanCircle, angle: number): Omit<PlanTouch, 'role'> {
  const outwards = side === 'inside' ? 1 : -1
  return {
    x: toNanometres(x + radius * Math.cos(angle)),
    y: toNanometres(y + radius * Math.sin(angle)),
    dx: outwards * Math.cos(angle),
    dy: outwards * Math.sin(angle),
  }
}

/** Two touches of an edge lie near its ends. */
function alongEdge(
  face: Face,
  point: number,
  box: Readonly<Record<Face, Nanometres>>,
): Omit<PlanTouch, 'role'> {
  const share = point === 1 ? 0.15 : point === 2 ? 0.85 : 0.5
  const direction = approachDirection(face, 'outside')
  return axisOfFace(face) === 'X'
    ? {
        x: box[face],
        y: toNanometres(box.front + share * (box.back - box.front)),
        dx: direction,
        dy: 0,
      }
    : {
        x: toNanometres(box.left + share * (box.right - box.left)),
        y: box[face],
        dx: 0,
        dy: direction,
      }
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180
