import { NANOMETRES_PER } from '../../length/length'
import type { MachineAxis } from '../../address/row'
import { arcAround, arcExtents, arcOfRadius, type PlanePoint } from './arc'
import type { ProgramProblemCode } from '../program-reading'

/** Where the tool is, in nanometres of the row's frame; an axis is unknown until a move says it. */
export type Position = Record<MachineAxis, number | undefined>

/** The two axes of an arc's plane, the letters of its centre, and the axis that it climbs along. */
export const PLANES = {
  17: { a: 'X', b: 'Y', i: 'I', j: 'J', climb: 'Z' },
  18: { a: 'Z', b: 'X', i: 'K', j: 'I', climb: 'Y' },
  19: { a: 'Y', b: 'Z', i: 'J', j: 'K', climb: 'X' },
} as const

type Plane = (typeof PLANES)[keyof typeof PLANES]

/** An arc whose ends lie this much off its circle is told: a hundredth of a millimetre is more than rounding. */
const ARC_TOLERANCE_NM = 0.01 * NANOMETRES_PER.mm

export type ArcMove =
  | { readonly extents?: undefined; readonly fault: ProgramProblemCode }
  | {
      readonly extents: Readonly<Partial<Record<MachineAxis, readonly [number, number]>>>
      readonly lengthNm: number
      /** Drawn, but not as written: its ends lie at different distances from its centre. */
      readonly fault?: ProgramProblemCode
    }

/**
 * What an arc reaches, with its true bulge, and how long it is, its climb counted in.
 *
 * @param lengthOf a written word as a length; the centre counts from the start, a radius wins over it.
 */
export function arcMove(
  position: Position,
  target: Position,
  { a, b, i, j, climb }: Plane,
  clockwise: boolean,
  lengthOf: (letter: string) => number | undefined,
): ArcMove {
  const start = pointOf(position, a, b)
  const end = pointOf(position, a, b, target)
  if (start === undefined || end === undefined) return { fault: 'arc-start-unknown' }
  const radius = lengthOf('R')
  const [toA, toB] = [lengthOf(i), lengthOf(j)]
  const centre = { a: start.a + (toA ?? 0), b: start.b + (toB ?? 0) }
  const byCentre = toA !== undefined || toB !== undefined
  const arc =
    radius !== undefined
      ? arcOfRadius(start, end, radius, clockwise)
      : byCentre
        ? arcAround(start, end, centre, clockwise)
        : undefined
  if (arc === undefined) return { fault: 'arc-undetermined' }
  const extents = arcExtents(start, end, arc)
  const from = position[climb]
  const to = target[climb] ?? from
  const offCircle = Math.hypot(end.a - arc.centre.a, end.b - arc.centre.b) - arc.radius
  return {
    extents: {
      [a]: extents.a,
      [b]: extents.b,
      ...(to !== undefined && { [climb]: [Math.min(from ?? to, to), Math.max(from ?? to, to)] }),
    },
    lengthNm: Math.hypot(
      arc.radius * arc.sweep,
      from === undefined || to === undefined ? 0 : to - from,
    ),
    ...(Math.abs(offCircle) > ARC_TOLERANCE_NM && { fault: 'arc-radius-differs' as const }),
  }
}

/** An axis that is not written stays where it is. */
function pointOf(
  position: Position,
  a: MachineAxis,
  b: MachineAxis,
  target?: Position,
): PlanePoint | undefined {
  const [first, second] = [target?.[a] ?? position[a], target?.[b] ?? position[b]]
  return first === undefined || second === undefined ? undefined : { a: first, b: second }
}
