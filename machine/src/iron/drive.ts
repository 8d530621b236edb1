import { AXES, mapAxes, type Axis, type Place } from '../kit'
import { Slide, type SlideMade } from './slide'

/** What moves is looked at so often on its way: no wall is thinner. */
const PIECE_NM = 200_000
/** A hand wheel's click is looked at in smaller pieces: it is how one touches. */
const CLICK_PIECE_NM = 20_000

/** How far a move came. */
export type Came =
  'there' | 'on its way' | { readonly metAt: 'something' } | { readonly stopped: Axis }

/** The three slides of a machine, driven together along straight lines. */
export class Drive {
  readonly slides: Readonly<Record<Axis, Slide>>

  constructor(made: Readonly<Record<Axis, SlideMade>>) {
    this.slides = mapAxes((axis) => {
      const { travel, home } = made[axis]
      return new Slide(made[axis], home ?? (travel.min + travel.max) / 2)
    })
  }

  /** Machine position as it is displayed. */
  get machine(): Place {
    return mapAxes((axis) => this.slides[axis].shown)
  }

  /** Where axis and nose stand in truth. */
  get truth(): Place {
    return mapAxes((axis) => this.slides[axis].truth)
  }

  /**
   * Moves so far towards a displayed position, piece by piece.
   *
   * @param finely as a hand does that feels for contact.
   * @param meets looks at each piece, and says whether something is in the way.
   */
  towards(to: Place, distance: number, finely: boolean, meets: () => boolean): Came {
    const from = this.machine
    const whole = far(from, to)
    if (whole === 0) return 'there'
    const share = Math.min(1, distance / whole)
    const piece = finely && whole < 10 * PIECE_NM ? CLICK_PIECE_NM : PIECE_NM
    const pieces = Math.ceil((whole * share) / piece)
    for (let count = 1; count <= pieces; count += 1) {
      const part = (share * count) / pieces
      const stopped = AXES.filter((axis) => {
        const next = from[axis] + (to[axis] - from[axis]) * part
        return !this.slides[axis].drive(part === 1 ? to[axis] : Math.round(next))
      })
      if (meets()) return { metAt: 'something' }
      if (stopped[0] !== undefined) return { stopped: stopped[0] }
    }
    return share === 1 ? 'there' : 'on its way'
  }
}

/** How far two places lie apart, along the path. */
export const far = (one: Place, other: Place): number =>
  Math.hypot(other.X - one.X, other.Y - one.Y, other.Z - one.Z)
