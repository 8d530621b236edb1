import { failure, success, type Result } from '../result'
import type { Point } from './circle'

/**
 * The angle of an edge from two touches along it, for squaring a vise or a rotation.
 *
 * @param along how far apart the touches are along the axis, in millimetres, not zero.
 * @param rise how much the edge moved across it, in millimetres.
 * @param length over which its cost is asked, such as the part's length.
 * @returns the angle in radians, counter-clockwise positive, and what it costs over that length.
 */
export function edgeAngle(
  along: number,
  rise: number,
  length: number,
): Result<{ readonly radians: number; readonly cost: number }> {
  if (along === 0) return failure({ code: 'edge-undetermined', place: 'along', received: '0' })
  const radians = Math.atan(rise / along)
  return success({ radians, cost: Math.tan(radians) * length })
}

/** Two touches of the spindle axis on one face, and one on the other, of a part that may be turned. */
export interface TurnedCorner {
  /** On the front face, met moving Y+: positions of the spindle axis. */
  readonly front: readonly [Point, Point]
  /** On the left face, met moving X+. */
  readonly left: Point
  readonly sensorRadius: number
}

/**
 * The corner of a turned part and its angle. The faces are taken as square to each other; the sensor
 * stands off each face by its radius, square to the face and not to the axis.
 *
 * @returns the corner in machine position, millimetres, and the angle of the front face, radians.
 */
export function turnedCorner({
  front: [a, b],
  left,
  sensorRadius,
}: TurnedCorner): Result<{ readonly corner: Point; readonly radians: number }> {
  if (a.x === b.x)
    return failure({
      code: 'edge-undetermined',
      place: 'front',
      received: `both touches at X ${a.x}`,
    })
  const radians = Math.atan2(Math.sign(b.x - a.x) * (b.y - a.y), Math.abs(b.x - a.x))
  const [along, across] = [
    { x: Math.cos(radians), y: Math.sin(radians) },
    { x: -Math.sin(radians), y: Math.cos(radians) },
  ]
  // Moving into the front face the axis stands a radius in front of it, against `across`; likewise on the left.
  const onFront = { x: a.x + sensorRadius * across.x, y: a.y + sensorRadius * across.y }
  const onLeft = { x: left.x + sensorRadius * along.x, y: left.y + sensorRadius * along.y }
  const distance = (onLeft.x - onFront.x) * along.x + (onLeft.y - onFront.y) * along.y
  return success({
    corner: { x: onFront.x + distance * along.x, y: onFront.y + distance * along.y },
    radians,
  })
}

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
