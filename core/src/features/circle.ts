import { failure, success, type Result } from '../problem/result'

/** A point in X and Y; millimetres in every function of features/. */
export interface Point {
  readonly x: number
  readonly y: number
}

export interface CircleFit {
  readonly centre: Point
  readonly radius: number
  /** Distance of each point from the circle, outwards positive. */
  readonly residuals: readonly number[]
  /** Largest less smallest residual: how round the points are. */
  readonly roundness: number
  /** Three points lie on a circle always: they prove nothing. */
  readonly proven: boolean
  /** How the centre moves with each point: rows x and y, in the order of the points. */
  readonly jacobian: readonly {
    readonly xByX: number
    readonly xByY: number
    readonly yByX: number
    readonly yByY: number
  }[]
}

/** Points on a line to within this share of their extent have no circle. */
const STRAIGHT = 1e-9
const MOST_STEPS = 100

/**
 * The circle with the least sum of squared distances from the points (geometric, not algebraic: the
 * algebraic fit is biased on short arcs). Gauss–Newton from the algebraic fit.
 *
 * Source and check: W. Gander, G. Golub, R. Strebel, BIT 34 (1994) 558: the points (1,7) (2,6) (5,8) (7,7)
 * (9,5) (3,7) give centre (4.7398, 2.9835) and radius 4.7142.
 */
export function fitCircle(points: readonly Point[]): Result<CircleFit> {
  const refuse = (received: string) =>
    failure({ code: 'circle-undetermined', place: 'points', received })
  if (points.length < 3) return refuse(`${points.length} points`)
  const mean = { x: average(points.map(({ x }) => x)), y: average(points.map(({ y }) => y)) }
  const extent = Math.max(...points.map(({ x, y }) => Math.hypot(x - mean.x, y - mean.y)))
  const local = points.map(({ x, y }) => ({ x: (x - mean.x) / extent, y: (y - mean.y) / extent }))
  const start = extent > 0 ? algebraicCircle(local) : undefined
  if (start === undefined) return refuse('points on a straight line, or all in one place')
  let { x, y, r } = start
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const move = gaussNewtonStep(local, x, y, r)
    if (move === undefined) return refuse('points on a straight line, or all in one place')
    ;[x, y, r] = [x + move.x, y + move.y, r + move.r]
    if (Math.hypot(move.x, move.y, move.r) < 1e-14 * (1 + r)) break
  }
  if (!Number.isFinite(x + y + r) || r > 1 / STRAIGHT) return refuse('points on a straight line')
  const residuals = local.map((point) => (Math.hypot(point.x - x, point.y - y) - r) * extent)
  return success({
    centre: { x: mean.x + x * extent, y: mean.y + y * extent },
    radius: r * extent,
    residuals,
    roundness: Math.max(...residuals) - Math.min(...residuals),
    proven: points.length > 3,
    jacobian: sensitivities(local, x, y),
  })
}

const average = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

/** Least squares of x² + y² = 2ax + 2by + c on centred points (I. Kåsa, 1976): a start, no more. */
function algebraicCircle(
  points: readonly Point[],
): { x: number; y: number; r: number } | undefined {
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0]
  for (const { x, y } of points) {
    const z = x * x + y * y
    ;[xx, xy, yy, xz, yz] = [xx + x * x, xy + x * y, yy + y * y, xz + x * z, yz + y * z]
  }
  const determinant = xx * yy - xy * xy
  // The smaller spread of the points against the larger: a line has none.
  if (determinant <= STRAIGHT * STRAIGHT * (xx + yy) ** 2) return undefined
  const x = (xz * yy - yz * xy) / (2 * determinant)
  const y = (yz * xx - xz * xy) / (2 * determinant)
  return { x, y, r: Math.sqrt(x * x + y * y + (xx + yy) / points.length) }
}

/** Normal equations of the distances, linearised at the present circle. */
function gaussNewtonStep(points: readonly Point[], x: number, y: number, r: number) {
  const rows = points.map((point) => direction(point, x, y))
  const off = points.map((point) => Math.hypot(point.x - x, point.y - y) - r)
  // d(distance) = −u·d(centre) − dr with u the unit vector from the centre to the point.
  return solve3(normalMatrix(rows), [
    sumOf(rows, off, 'u'),
    sumOf(rows, off, 'v'),
    off.reduce((sum, value) => sum + value, 0),
  ])
}

function direction(point: Point, x: number, y: number): { u: number; v: number } {
  const distance = Math.hypot(point.x - x, point.y - y)
  return { u: (point.x - x) / distance, v: (point.y - y) / distance }
}

type Rows = readonly { readonly u: number; readonly v: number }[]

const sumOf = (rows: Rows, off: readonly number[], key: 'u' | 'v') =>
  rows.reduce((sum, row, index) => sum + row[key] * (off[index] ?? 0), 0)

function normalMatrix(rows: Rows): readonly [number, number, number, number, number, number] {
  let [uu, uv, vv, u1, v1] = [0, 0, 0, 0, 0]
  for (const { u, v } of rows)
    [uu, uv, vv, u1, v1] = [uu + u * u, uv + u * v, vv + v * v, u1 + u, v1 + v]
  return [uu, uv, u1, vv, v1, rows.length]
}

/** Solves a symmetric 3×3 system by Cramer's rule; undefined where it is singular. */
function solve3(
  [a, b, c, d, e, f]: readonly [number, number, number, number, number, number],
  [p, q, s]: readonly [number, number, number],
) {
  const determinant = a * (d * f - e * e) - b * (b * f - c * e) + c * (b * e - c * d)
  if (!(Math.abs(determinant) > 1e-18 * f ** 3)) return undefined
  return {
    x: (p * (d * f - e * e) - b * (q * f - e * s) + c * (q * e - d * s)) / determinant,
    y: (a * (q * f - e * s) - p * (b * f - c * e) + c * (b * s - c * q)) / determinant,
    r: (a * (d * s - e * q) - b * (b * s - c * q) + p * (b * e - c * d)) / determinant,
  }
}

/**
 * d(centre)/d(point) by the linearised least squares. A point counts along its direction from the centre
 * only: sliding along the circle changes nothing.
 */
function sensitivities(points: readonly Point[], x: number, y: number): CircleFit['jacobian'] {
  const rows = points.map((point) => direction(point, x, y))
  const matrix = normalMatrix(rows)
  return rows.map(({ u, v }) => {
    const moved = solve3(matrix, [u, v, 1]) ?? { x: 0, y: 0 }
    return { xByX: moved.x * u, xByY: moved.x * v, yByX: moved.y * u, yByY: moved.y * v }
  })
}
