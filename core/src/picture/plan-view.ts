import { EMPTY_CHAIN, subtractChains, valueOf } from '../chain/chain'
import { toNanometres, type Nanometres } from '../length/length'
import { stockDrawn } from '../sheet/stock-drawn'
import { readLength } from '../length/read-length'
import {
  approachDirection,
  axisOfFace,
  FACES_OF_AXIS,
  type Face,
  type PlanAxis,
} from '../touch/touch'
import type { SetupDocument } from '../facts/document'
import { sideOf, type AxisPlan, type OffsetPlan } from '../sheet/offset-plan'
import { type OffsetRow } from '../address/row'
import { facesToTouch } from '../solve/axes/plan-axes'
import { axisOfQuantity, quantityKey, type QuantityName } from '../quantities/quantities'
import { standingReadings } from '../freshness/standing'
import type { Solution } from '../solve/solution'
import { SourceReader } from '../sources/sources'
import { planCircle, planTouches, type PlanCircle, type PlanTouch } from './plan-touches'

export interface PlanFace {
  readonly face: Face
  readonly role: 'to-touch' | 'read' | 'next' | 'unused'
  /** Where it lies in the program's coordinates: by the drawing, or by what was read. */
  readonly position: Nanometres
}

export interface PlanSensor {
  readonly face: Face
  readonly x: Nanometres
  readonly y: Nanometres
  readonly radius: Nanometres
  /** The way the tool moves into the face. */
  readonly direction: 1 | -1
}

/** The part from above in the program's coordinates, X to the right and Y away from the person. */
export interface PlanView {
  readonly row: OffsetRow
  readonly left: Nanometres
  readonly right: Nanometres
  readonly front: Nanometres
  readonly back: Nanometres
  /** A pocket or slot is drawn as a hole in the part. */
  readonly inside: Readonly<Record<PlanAxis, boolean>>
  readonly faces: readonly PlanFace[]
  readonly sensor?: PlanSensor
  /** A bore or boss, and the touches around it or along an edge. */
  readonly circle?: PlanCircle
  readonly touches: readonly PlanTouch[]
  /** Of what touches now, for the touches. */
  readonly sensorRadius: Nanometres
}

/** What is touched now, and the ids of what touches it. */
export interface PlanFocus {
  readonly at: QuantityName
  readonly with: readonly string[]
}

/**
 * The plan of one work offset. A face that was read stands where its reading puts it, counted from
 * the first face read on that axis, so a wrong digit is seen before it is keyed.
 *
 * @param focus what is touched now, and with what: its sensor is drawn there.
 */
export function planViewOf(
  document: SetupDocument,
  solution: Solution,
  offset: OffsetPlan,
  focus?: PlanFocus,
): PlanView {
  const focused = focus?.at.of === 'face' ? focus.at.face : undefined
  const x = axisView(document, solution, offset, 'X', focused)
  const y = axisView(document, solution, offset, 'Y', focused)
  const faces = [...x.faces, ...y.faces]
  const next = faces.find(({ face }) => face === focused)
  const radius =
    focus &&
    new SourceReader(document).gaugeSum(focus.with, axisOfQuantity(focus.at), {
      of: focus.at.of,
      place: 'plan',
      at: document.length,
    })
  const [left, right, front, back] = [x.nominal[0], x.nominal[1], y.nominal[0], y.nominal[1]]
  const circle = planCircle(offset)
  const sensor =
    next &&
    sensorAt(next, offset, valueOf(radius ?? EMPTY_CHAIN), middle(x.nominal), middle(y.nominal))
  return {
    row: offset.row,
    left,
    right,
    front,
    back,
    inside: { X: sideOf(offset.X) === 'inside', Y: sideOf(offset.Y) === 'inside' },
    faces,
    ...(sensor && { sensor }),
    ...(circle && { circle: { ...circle, radius: circleRadius(circle, right, left) } }),
    touches: planTouches(
      document,
      offset,
      circle && { ...circle, radius: circleRadius(circle, right, left) },
      { left, right, front, back },
      focus?.at,
    ),
    sensorRadius: valueOf(radius ?? EMPTY_CHAIN),
  }
}

/** A swept circle has no drawing size: it is drawn half as wide as the part. */
const circleRadius = ({ radius }: PlanCircle, right: number, left: number): Nanometres =>
  radius > 0 ? radius : toNanometres((right - left) / 4)

const middle = ([lower, upper]: readonly [Nanometres, Nanometres]) =>
  toNanometres((lower + upper) / 2)

function axisView(
  document: SetupDocument,
  solution: Solution,
  offset: OffsetPlan,
  axis: PlanAxis,
  focus: Face | undefined,
) {
  const plan = offset[axis]
  const nominal = nominalFaces(document, plan, axis)
  const toTouch = facesToTouch(axis, plan)
  const readFace = (face: Face) =>
    solution.faces[quantityKey({ of: 'face', row: offset.row, face })]
  const firstRead =
    toTouch.find((face) => face !== focus && readFace(face)) ??
    toTouch.find((face) => readFace(face))
  const base = firstRead && readFace(firstRead)
  const nominalOf = (face: Face) => nominal[FACES_OF_AXIS[axis].indexOf(face)] ?? nominal[0]
  const faces = FACES_OF_AXIS[axis].map((face): PlanFace => {
    const chain = readFace(face)
    const position =
      chain && base && firstRead
        ? toNanometres(nominalOf(firstRead) + valueOf(subtractChains(chain, base)))
        : nominalOf(face)
    const standing = standingReadings(document, { of: 'face', row: offset.row, face }).length > 0
    const role =
      face === focus ? 'next' : !toTouch.includes(face) ? 'unused' : standing ? 'read' : 'to-touch'
    return { face, role, position }
  })
  return { nominal, faces }
}

/** Both faces of an axis by the drawing; the one that is not dimensioned lies a stock size away. */
function nominalFaces(
  document: SetupDocument,
  plan: AxisPlan,
  axis: PlanAxis,
): readonly [Nanometres, Nanometres] {
  const drawing = nmOf(plan.drawing)
  if (plan.by !== 'one-face' && plan.by !== 'turned-corner') {
    // A bore lies somewhere in its part: the stock is drawn around it.
    const drawn = stockDrawn(document.sheet)[axis]
    const across = plan.by === 'two-faces' ? (plan.size ?? drawn) : drawn
    const half = nmOf(across) / 2
    return [toNanometres(drawing - half), toNanometres(drawing + half)]
  }
  const size = nmOf(stockDrawn(document.sheet)[axis])
  return plan.face === FACES_OF_AXIS[axis][0]
    ? [toNanometres(drawing), toNanometres(drawing + size)]
    : [toNanometres(drawing - size), toNanometres(drawing)]
}

/** A number that cannot be read draws as zero: the problem is told elsewhere, the picture goes on. */
const nmOf = (written: AxisPlan['drawing']): number => {
  const length = readLength(written)
  return length.ok ? length.value.nm : 0
}

function sensorAt(
  next: PlanFace,
  offset: OffsetPlan,
  radius: Nanometres,
  middleX: Nanometres,
  middleY: Nanometres,
): PlanSensor {
  const axis = axisOfFace(next.face)
  const direction = approachDirection(next.face, sideOf(offset[axis]))
  const centre = toNanometres(next.position - direction * radius)
  return axis === 'X'
    ? { face: next.face, x: centre, y: middleY, radius, direction }
    : { face: next.face, x: middleX, y: centre, radius, direction }
}
