/** Four readings of a dial on the spindle, a quarter turn apart, in millimetres. */
export interface SweepReadings {
  /** Towards X+, Y+, X−, Y−; a dial counts up when its plunger is pushed in. */
  readonly right: number
  readonly back: number
  readonly left: number
  readonly front: number
}

/**
 * How far the axis of a bore or boss lies from the spindle axis: half the difference of opposite
 * readings, which is their first harmonic.
 *
 * A wall that is nearer pushes the plunger in further. In a bore the nearer wall lies on the side
 * where the dial reads more, so the bore's axis lies towards the other side; round a boss the dial
 * looks inwards, and it is the other way round.
 *
 * @param inside true for a bore, false for a boss.
 * @returns the move to make, tool relative to part (ISO 841).
 */
export function sweepMove(
  { right, back, left, front }: SweepReadings,
  inside: boolean,
): { readonly x: number; readonly y: number } {
  const towards = inside ? -1 : 1
  return { x: (towards * (right - left)) / 2, y: (towards * (back - front)) / 2 }
}

/**
 * What the two pairs disagree in: an oval bore, a tilted one, or a misread dial; zero for a true circle.
 *
 * @waits for the step's own sentence about it (step 8).
 * @example sweepOval({ right: 10, left: 10, back: 12, front: 12 }) // -2
 */
export const sweepOval = ({ right, back, left, front }: SweepReadings): number =>
  (right + left - back - front) / 2
