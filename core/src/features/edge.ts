import { failure, success, type Result } from '../result'
import { approachDirection, axisOfFace, type Face } from '../touch/touch'
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
  const [along, across] = runsAlongX ? [b.x - a.x, b.y - a.y] : [b.y - a.y, a.x - b.x]
  const distance = Math.hypot(along, across)
  if (Math.abs(across) >= Math.abs(along) * Math.tan(MOST_TURN) || distance === 0)
    return failure({
      code: 'edge-undetermined',
      place: face,
      received: `touches ${Math.abs(along).toFixed(3)} apart along it, ${Math.abs(across).toFixed(3)} across`,
    })
  // A sensor that stood further off at one touch does not turn the face.
  const outward = outwardSide(face)
  const lean = Math.asin((outward * (a.standOff - b.standOff) * Math.sign(along)) / distance)
  return success(Math.atan2(Math.sign(along) * across, Math.abs(along)) + lean)
}

/** +1 where the spindle axis stands on the counter-clockwise side of the face's own direction. */
const outwardSide = (face: Face): 1 | -1 => (face === 'back' || face === 'left' ? 1 : -1)

/** What an angle costs over a length: how much one end lies further than the other. */
export const runOut = (radians: number, length: number): number => Math.tan(radians) * length

/** An outside corner of a part that may be turned: two touches on one face, one on the other. */
export interface TurnedCorner {
  readonly base: {
    readonly face: 'front' | 'back'
    readonly touches: readonly [EdgeTouch, EdgeTouch]
  }
  readonly side: { readonly face: 'left' | 'right'; readonly touch: EdgeTouch }
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
  const along = { x: Math.cos(radians), y: Math.sin(radians) }
  const across = { x: -Math.sin(radians), y: Math.cos(radians) }
  const onBase = shifted(a, across, approachDirection(base.face, 'outside') * a.standOff)
  const onSide = shifted(
    side.touch,
    along,
    approachDirection(side.face, 'outside') * side.touch.standOff,
  )
  const distance = (onSide.x - onBase.x) * along.x + (onSide.y - onBase.y) * along.y
  return success({ corner: shifted(onBase, along, distance), radians })
}

const shifted = (from: Point, direction: Point, by: number): Point => ({
  x: from.x + by * direction.x,
  y: from.y + by * direction.y,
})

/**
 * How high above its tip a tapered or V bit has its full diameter: (d/2)/tan(half angle). A plate's lip
 * that cannot be reached at that height is touched with a pin instead.
 *
 * @param halfAngle of the taper, radians, between 0 and π/2.
 */
export function fullDiameterHeight(diameter: number, halfAngle: number): number {
  if (!(halfAngle > 0 && halfAngle < Math.PI / 2))
    throw new RangeError(`half angle lies between 0 and π/2, got ${halfAngle}`)
  return diameter / 2 / Math.tan(halfAngle)
}
