import { toNanometres, type Nanometres } from '../length/length'

/** Where an axis of a machine without switches stands at its mark. */
export interface MarkReading {
  /** Dial of the hand-wheel; it counts up as the axis moves towards plus, and begins again every turn. */
  readonly dial: Nanometres
  /** A coarse scale beside the slide, good to a fraction of a turn. */
  readonly coarse: Nanometres
}

export interface FoundAgain {
  /** What the machine shows now is what it showed before, plus this much. */
  readonly shift: Nanometres
  /** Whole turns between the two; 0 when the mark was found in the same turn. */
  readonly turns: number
  /** Whether the coarse scale tells which turn it is: it lies within a quarter turn of it. */
  readonly certain: boolean
}

/**
 * How far zero lies from where it was, when it was lost and set again at the same mark.
 *
 * A dial repeats every turn, so by itself it is certain only to within one; the coarse scale names the
 * nearest turn. Zero that was set further towards plus makes every position read lower.
 *
 * @param turn what one turn of the dial moves; above zero, else it throws.
 */
export function foundAgain(before: MarkReading, now: MarkReading, turn: Nanometres): FoundAgain {
  if (turn <= 0) throw new RangeError(`foundAgain needs a turn above zero, got ${turn}`)
  const byDial = now.dial - before.dial
  const byScale = now.coarse - before.coarse
  const turns = Math.round((byScale - byDial) / turn)
  const moved = byDial + turns * turn
  return {
    shift: toNanometres(0 - moved),
    // Whole turns as a person counts them: the dial alone may have passed its zero.
    turns: Math.round(moved / turn),
    certain: Math.abs(byScale - moved) <= turn / 4,
  }
}
