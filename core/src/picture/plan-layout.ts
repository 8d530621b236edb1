import type { Face } from '../touch/touch'
import type { PlanTouch } from './plan-touches'
import type { PlanView } from './plan-view'

export interface PlanBox {
  readonly width: number
  readonly height: number
  /** Kept free around the part for the sensor, its arrow and the labels. */
  readonly margin: number
}

export interface PlacedFace {
  readonly face: Face
  readonly role: PlanView['faces'][number]['role']
  readonly x1: number
  readonly y1: number
  readonly x2: number
  readonly y2: number
}

export interface PlacedPlan {
  readonly part: {
    readonly x: number
    readonly y: number
    readonly width: number
    readonly height: number
  }
  readonly faces: readonly PlacedFace[]
  readonly zero: { readonly x: number; readonly y: number }
  readonly sensor?: PlacedSensor
  readonly circle?: { readonly x: number; readonly y: number; readonly radius: number }
  readonly touches: readonly (PlacedSensor & { readonly role: PlanTouch['role'] })[]
}

export interface PlacedSensor {
  readonly x: number
  readonly y: number
  readonly radius: number
  /** Unit step of the approach in pixels: X to the right, Y down the screen. */
  readonly dx: number
  readonly dy: number
}

/** A sensor smaller than this cannot be seen on a phone. */
const SMALLEST_SENSOR = 6

/** Places a plan in a box: one scale for both axes, Y upwards as on the drawing. */
export function layoutPlan(plan: PlanView, box: PlanBox): PlacedPlan {
  const { xs, ys } = extentOf(plan)
  // Inside a bore the sensor and its arrow need no room around it.
  const margin = plan.circle?.side === 'inside' ? box.margin / 3 : box.margin
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = Math.min(
    (box.width - 2 * margin) / Math.max(x1 - x0, 1),
    (box.height - 2 * margin) / Math.max(y1 - y0, 1),
  )
  const toX = (x: number) => box.width / 2 + (x - (x0 + x1) / 2) * scale
  const toY = (y: number) => box.height / 2 - (y - (y0 + y1) / 2) * scale
  const { sensor } = plan
  const alongX = sensor?.face === 'left' || sensor?.face === 'right'
  return {
    part: {
      x: toX(plan.left),
      y: toY(plan.back),
      width: (plan.right - plan.left) * scale,
      height: (plan.back - plan.front) * scale,
    },
    faces: plan.faces.map(({ face, role, position }) =>
      face === 'left' || face === 'right'
        ? {
            face,
            role,
            x1: toX(position),
            x2: toX(position),
            y1: toY(plan.back),
            y2: toY(plan.front),
          }
        : {
            face,
            role,
            x1: toX(plan.left),
            x2: toX(plan.right),
            y1: toY(position),
            y2: toY(position),
          },
    ),
    zero: { x: toX(0), y: toY(0) },
    ...(sensor && { sensor: placeSensor(plan, sensor, scale, toX, toY, alongX) }),
    ...(plan.circle && {
      circle: { x: toX(plan.circle.x), y: toY(plan.circle.y), radius: plan.circle.radius * scale },
    }),
    touches: plan.touches.map(({ role, x, y, dx, dy }) => {
      const radius = Math.max(plan.sensorRadius * scale, SMALLEST_SENSOR)
      return {
        role,
        radius,
        x: toX(x) - dx * radius,
        y: toY(y) + dy * radius,
        dx,
        dy: dy === 0 ? 0 : -dy,
      }
    }),
  }
}

/** The whole part with its zero; of a bore or boss only its surroundings, large enough to see its touches. */
function extentOf(plan: PlanView): {
  readonly xs: readonly number[]
  readonly ys: readonly number[]
} {
  const { circle } = plan
  if (circle === undefined)
    return {
      xs: [plan.left, plan.right, 0, ...facePositions(plan, ['left', 'right'])],
      ys: [plan.front, plan.back, 0, ...facePositions(plan, ['front', 'back'])],
    }
  const reach = circle.radius + (circle.side === 'outside' ? 2 * plan.sensorRadius : 0)
  return { xs: [circle.x - reach, circle.x + reach], ys: [circle.y - reach, circle.y + reach] }
}

/** Keeps a tiny sensor visible: its rim still touches the face. */
function placeSensor(
  plan: PlanView,
  sensor: NonNullable<PlanView['sensor']>,
  scale: number,
  toX: (x: number) => number,
  toY: (y: number) => number,
  alongX: boolean,
): PlacedSensor {
  const radius = Math.max(sensor.radius * scale, SMALLEST_SENSOR)
  const face = plan.faces.find((one) => one.face === sensor.face)?.position ?? 0
  const dx = alongX ? sensor.direction : 0
  const dy = alongX ? 0 : -sensor.direction
  return alongX
    ? { x: toX(face) - dx * radius, y: toY(sensor.y), radius, dx, dy }
    : { x: toX(sensor.x), y: toY(face) - dy * radius, radius, dx, dy }
}

const facePositions = (plan: PlanView, faces: readonly Face[]): readonly number[] =>
  plan.faces.filter(({ face }) => faces.includes(face)).map(({ position }) => position)
