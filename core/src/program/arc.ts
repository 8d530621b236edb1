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
  const quarters = [0, 1, 2, 3]
    .map((quarter) => (quarter * Math.PI) / 2)
    .filter((angle) => {
      const turned = clockwise ? from - angle : angle - from
      return ((turned % TURN) + TURN) % TURN <= sweep
    })
    .map((angle) => ({
      a: centre.a + radius * Math.cos(angle),
      b: centre.b + radius * Math.sin(angle),
    }))
  const points = [start, end, ...quarters]
  const range = (of: 'a' | 'b'): readonly [number, number] => [
    Math.min(...points.map((point) => point[of])),
    Math.max(...points.map((point) => point[of])),
  ]
  return { a: range('a'), b: range('b') }
}
