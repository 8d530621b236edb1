import { failure, success, type Result } from '../problem/result'
import { approachDirection, axisOfFace, type Face, type PlanAxis } from '../touch/touch'
import type { Point } from './circle'

/** A touch of an outside face that may be turned: machine position of the spindle axis, millimetres. */
export interface EdgeTouch extends Point {
  /** From the spindle axis to the face, square to the face: half a tip, plus what lies between. */
  readonly standOff: number
}

/** Two faces are taken for parallel to their axes when they are turned by less than this. */
const MOST_TURN = Math.PI / 4

/**
 * How far an outside face is turned, from two touches along it, for squaring a vise or a rotation.
 *
 * @param face names the face as it would lie unturned: front and back run along X, left and right along Y.
 * @returns radians, counter-clockwise seen from above (X to the right, Y away), within ±45°.
 * @example edgeAngle('front', a, b) with b 100 mm to the right of a and 1 mm further back: 0.01 rad
 */
export function edgeAngle(face: Face, a: EdgeTouch, b: EdgeTouch): Result<number> {
  const runsAlongX = axisOfFace(face) === 'Y'
  const [lengthways, across] = runsAlongX ? [b.x - a.x, b.y - a.y] : [b.y - a.y, a.x - b.x]
  const distance = Math.hypot(lengthways, across)
  if (Math.abs(across) >= Math.abs(lengthways) * Math.tan(MOST_TURN) || distance === 0)
    return failure({
      code: 'edge-undetermined',
      place: face,
      received: `touches ${Math.abs(lengthways).toFixed(3)} apart along it, ${Math.abs(across).toFixed(3)} across`,
    })
  // A sensor that stood further off at one touch does not turn the face.
  const outward = outwardSide(face)
  const lean = Math.asin((outward * (a.standOff - b.standOff) * Math.sign(lengthways)) / distance)
  return success(Math.atan2(Math.sign(lengthways) * across, Math.abs(lengthways)) + lean)
}

/** +1 where the spindle axis stands on the counter-clockwise side of the face's own direction. */
const outwardSide = (face: Face): 1 | -1 => (face === 'back' || face === 'left' ? 1 : -1)

/** What an angle costs over a length: how much one end lies further than the other. */
export const runOut = (radians: number, length: number): number => Math.tan(radians) * length

/** An outside corner of a part that may be turned: two touches on one of its faces, one on the other. */
export interface TurnedCorner {
  readonly base: { readonly face: Face; readonly touches: readonly [EdgeTouch, EdgeTouch] }
  /** A face of the other axis. */
  readonly side: { readonly face: Face; readonly touch: EdgeTouch }
}

/**
 * The corner of a turned part and its angle. The faces are taken as square to each other; the sensor
 * stands off each face square to the face and not to the axis.
 *
 * @returns the corner in machine position, millimetres, and the angle, radians counter-clockwise.
 */
export function turnedCorner({
  base,
  side,
}: TurnedCorner): Result<{ readonly corner: Point; readonly radians: number }> {
  const [a, b] = base.touches
  const angle = edgeAngle(base.face, a, b)
  if (!angle.ok) return angle
  const radians = angle.value
  const frame = turnedFrame(radians)
  // In the part's own directions each face fixes one coordinate of the corner.
  const own = { X: 0, Y: 0 }
  for (const { face, touch } of [{ face: base.face, touch: a }, side]) {
    const axis = axisOfFace(face)
    own[axis] = along(frame[axis], touch) + approachDirection(face, 'outside') * touch.standOff
  }
  return success({
    corner: {
      x: own.X * frame.X.x + own.Y * frame.Y.x,
      y: own.X * frame.X.y + own.Y * frame.Y.y,
    },
    radians,
  })
}

/** The directions of X and Y of a part that is turned counter-clockwise. */
const turnedFrame = (radians: number): Readonly<Record<PlanAxis, Point>> => ({
  X: { x: Math.cos(radians), y: Math.sin(radians) },
  Y: { x: -Math.sin(radians), y: Math.cos(radians) },
})

const along = (direction: Point, point: Point): number =>
  point.x * direction.x + point.y * direction.y

/**
 * How high above its tip a tapered or V bit has its full diameter: (d/2)/tan(half angle). A plate's lip
 * that cannot be reached at that height is touched with a pin instead.
 *
 * @param halfAngle of the taper, radians, between 0 and π/2.
 * @example fullDiameterHeight(20, Math.PI / 4) // 10.000
 */
export function fullDiameterHeight(diameter: number, halfAngle: number): number {
  if (!(halfAngle > 0 && halfAngle < Math.PI / 2))
    throw new RangeError(`half angle lies between 0 and π/2, got ${halfAngle}`)
  return diameter / 2 / Math.tan(halfAngle)
}
