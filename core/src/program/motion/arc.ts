/** A point of an arc's plane, in any one unit. */
export interface PlanePoint {
  readonly a: number
  readonly b: number
}

export interface Arc {
  readonly centre: PlanePoint
  readonly radius: number
  readonly clockwise: boolean
  /** Swept angle, above zero; a whole turn where start and end are one. */
  readonly sweep: number
  readonly from: number
}

const TURN = 2 * Math.PI
/** Angles closer than this are one: a start that is also the end is a whole turn. */
const SAME_ANGLE = 1e-9

/** The arc around a centre; a start that is the end is a whole turn. */
export function arcAround(
  start: PlanePoint,
  end: PlanePoint,
  centre: PlanePoint,
  clockwise: boolean,
): Arc {
  const from = Math.atan2(start.b - centre.b, start.a - centre.a)
  const to = Math.atan2(end.b - centre.b, end.a - centre.a)
  const turned = clockwise ? from - to : to - from
  return {
    centre,
    radius: Math.hypot(start.a - centre.a, start.b - centre.b),
    clockwise,
    sweep: turned <= SAME_ANGLE ? turned + TURN : turned,
    from,
  }
}

/**
 * The arc of a radius: at most half a turn for a positive radius, at least half for a negative one
 * (NISTIR 6556 §3.5.3.1, from memory). Undefined where the ends are one, or further apart than the
 * radius reaches.
 */
export function arcOfRadius(
  start: PlanePoint,
  end: PlanePoint,
  radius: number,
  clockwise: boolean,
): Arc | undefined {
  const [da, db] = [end.a - start.a, end.b - start.b]
  const chord = Math.hypot(da, db)
  const short = radius ** 2 - (chord / 2) ** 2
  // Half a turn, rounded by the last decimal of the program, is still half a turn.
  if (chord === 0 || short < -Math.abs(radius) * chord * 1e-3) return undefined
  const away = Math.sqrt(Math.max(short, 0))
  // The centre lies left of the chord for a counter-clockwise arc of less than half a turn.
  const side = (clockwise ? -1 : 1) * Math.sign(radius)
  const centre = {
    a: (start.a + end.a) / 2 - (side * away * db) / chord,
    b: (start.b + end.b) / 2 + (side * away * da) / chord,
  }
  return arcAround(start, end, centre, clockwise)
}

/** Lowest and highest of both axes over the arc: its ends, and every quarter point that it passes. */
export function arcExtents(
  start: PlanePoint,
  end: PlanePoint,
  { centre, radius, clockwise, sweep, from }: Arc,
): { readonly a: readonly [number, number]; readonly b: readonly [number, number] } {
  let [lowA, highA] = [Math.min(start.a, end.a), Math.max(start.a, end.a)]
  let [lowB, highB] = [Math.min(start.b, end.b), Math.max(start.b, end.b)]
  for (const { angle, a, b } of QUARTERS) {
    const turned = clockwise ? from - angle : angle - from
    if (((turned % TURN) + TURN) % TURN > sweep) continue
    lowA = Math.min(lowA, centre.a + radius * a)
    highA = Math.max(highA, centre.a + radius * a)
    lowB = Math.min(lowB, centre.b + radius * b)
    highB = Math.max(highB, centre.b + radius * b)
  }
  return { a: [lowA, highA], b: [lowB, highB] }
}

/** The outermost points of a circle of radius 1. */
const QUARTERS = [
  { angle: 0, a: 1, b: 0 },
  { angle: TURN / 4, a: 0, b: 1 },
  { angle: TURN / 2, a: -1, b: 0 },
  { angle: (3 * TURN) / 4, a: 0, b: -1 },
]
