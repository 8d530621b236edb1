import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'

/** Where an axis of a machine without switches stands at its mark. */
export interface MarkReading {
  /** Dial of the hand-wheel; it begins again every turn. */
  readonly dial: Nanometres
  /** A coarse scale beside the slide, good to a fraction of a turn; without one the mark itself says which turn it is. */
  readonly coarse?: Nanometres
  /** The dial counts down as the axis moves towards plus; the scale counts up. */
  readonly dialFalls?: boolean
}

export interface FoundAgain {
  /** What the machine shows now is what it showed before, plus this much. */
  readonly shift: Nanometres
  /** Whole turns between the two; 0 when the mark was found in the same turn. */
  readonly turns: number
  /** Whether it is known in which turn: what the coarse scale, or the mark itself, allows lies within a quarter turn of it. */
  readonly certain: boolean
}

/** As near as a mark is found by eye and a coarse scale is read: common practice, no source. */
const BY_EYE_NM = 0.5 * NANOMETRES_PER.mm

/**
 * How far zero lies from where it was, when it was lost and set again at the same mark.
 *
 * A dial repeats every turn, so by itself it is certain only to within one: the coarse scale names the nearest turn. Without
 * a scale it is the nearer way round: a mark is found by eye to well within a quarter of a turn. Zero that was set further
 * towards plus makes every position read lower.
 *
 * @param turn what one turn of the dial moves: above zero, else it throws. Undefined where nobody declared it: then the dial
 *   has to say about what the scale and the mark say.
 */
export function foundAgain(
  before: MarkReading,
  now: MarkReading,
  turn: Nanometres | undefined,
): FoundAgain {
  if (turn !== undefined && turn <= 0)
    throw new RangeError(`foundAgain needs a turn above zero, got ${turn}`)
  const byDial = (now.dial - before.dial) * (before.dialFalls === true ? -1 : 1)
  // Without a scale the mark itself says that it is about where it was.
  const roughly =
    before.coarse === undefined || now.coarse === undefined ? 0 : now.coarse - before.coarse
  const moved = turn === undefined ? byDial : byDial + Math.round((roughly - byDial) / turn) * turn
  return {
    shift: toNanometres(0 - moved),
    // Whole turns as a person counts them: the dial alone may have passed its zero.
    turns: turn === undefined ? 0 : Math.round(moved / turn) + 0,
    certain: Math.abs(roughly - moved) <= (turn === undefined ? BY_EYE_NM : turn / 4),
  }
}
