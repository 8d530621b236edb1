import type { Place } from '../kit'
import { alarm, type Alarm } from './alarm'
import type { Word } from './words'

/** I and J, or R, of an arc in the plane of X and Y. Nanometres. */
export class PlaneWords {
  readonly i: number | undefined
  readonly j: number | undefined
  readonly r: number | undefined

  constructor(words: readonly Word[], nm: (word: Word) => number) {
    const of = (letter: string) => {
      const word = words.find((one) => one.letter === letter)
      return word && nm(word)
    }
    this.i = of('I')
    this.j = of('J')
    this.r = of('R')
  }

  get isSaid(): boolean {
    return this.i !== undefined || this.j !== undefined || this.r !== undefined
  }
}

/** So many degrees are one straight piece: at a radius of 100 mm it leaves the arc by 4 µm. */
const PIECE = Math.PI / 180
/** The two radii of an arc may differ so much (NISTIR 6556, from memory). */
const RADII_NM = 2_000

/**
 * The places along an arc, its end last.
 *
 * @param way 1 counter-clockwise (G3), -1 clockwise (G2).
 */
export function arcTo(
  from: Place,
  to: Place,
  { i, j, r }: PlaneWords,
  way: 1 | -1,
): readonly Place[] | Alarm {
  const centre =
    r === undefined ? { X: from.X + (i ?? 0), Y: from.Y + (j ?? 0) } : centreBy(from, to, r, way)
  if ('alarm' in centre) return centre
  const radius = Math.hypot(from.X - centre.X, from.Y - centre.Y)
  if (Math.abs(Math.hypot(to.X - centre.X, to.Y - centre.Y) - radius) > RADII_NM)
    return alarm('The end of the arc does not lie on its circle.')
  const first = Math.atan2(from.Y - centre.Y, from.X - centre.X)
  const last = Math.atan2(to.Y - centre.Y, to.X - centre.X)
  const turn = 2 * Math.PI
  let angle = (((way * (last - first)) % turn) + turn) % turn
  // A circle that ends where it began is a whole one.
  if (angle < 1e-9) angle = turn
  const pieces = Math.max(1, Math.ceil(angle / PIECE))
  return Array.from({ length: pieces }, (_, index) => {
    const share = (index + 1) / pieces
    if (share === 1) return to
    const at = first + way * angle * share
    return {
      X: Math.round(centre.X + radius * Math.cos(at)),
      Y: Math.round(centre.Y + radius * Math.sin(at)),
      Z: Math.round(from.Z + (to.Z - from.Z) * share),
    }
  })
}

/** The centre of the shorter arc of a radius; of the longer one where it is below zero. */
function centreBy(
  from: Place,
  to: Place,
  r: number,
  way: 1 | -1,
): { X: number; Y: number } | Alarm {
  const [dx, dy] = [to.X - from.X, to.Y - from.Y]
  const chord = Math.hypot(dx, dy)
  if (chord === 0) return alarm('A whole circle takes I and J.')
  const square = r * r - (chord / 2) ** 2
  if (square < -RADII_NM * Math.abs(r)) return alarm('The radius is too small to reach the end.')
  const height = Math.sqrt(Math.max(0, square)) * Math.sign(r) * way
  return { X: from.X + dx / 2 - (dy / chord) * height, Y: from.Y + dy / 2 + (dx / chord) * height }
}
