import type { Place } from '../kit'

export type BodyKind =
  'table' | 'jaw' | 'parallel' | 'part' | 'setter' | 'plate' | 'clamp' | 'chip' | 'post'

export const BODY_NAMES: Readonly<Record<BodyKind, string>> = {
  table: 'the table',
  jaw: 'a jaw of the vise',
  parallel: 'a parallel',
  part: 'the part',
  setter: 'the setter',
  plate: 'the plate',
  clamp: 'a clamp',
  chip: 'a chip',
  post: 'the fixed setter',
}

/**
 * Something solid on the table: a box, turned about its low corner. Its places are the true machine positions at which the axis of the
 * spindle, and its bare nose, would stand there. Nanometres.
 */
export interface Body {
  readonly id: string
  readonly kind: BodyKind
  readonly low: Place
  readonly high: Place
  /** Counter-clockwise seen from above, about its low corner; radians. */
  readonly turned?: number
  /** How far it gives way, as the pad of a setter does: further than that and it is broken. */
  readonly springs?: number
}

/**
 * How far a point stands outside the sides of a body, seen from above; below zero by how far it is inside.
 *
 * @returns the distance to the nearest of its sides, in nanometres.
 */
export function gapsTo({ low, high, turned = 0 }: Body, x: number, y: number): number {
  const [dx, dy] = [x - low.X, y - low.Y]
  const along = dx * Math.cos(turned) + dy * Math.sin(turned)
  const across = dy * Math.cos(turned) - dx * Math.sin(turned)
  const outX = Math.max(-along, along - (high.X - low.X))
  const outY = Math.max(-across, across - (high.Y - low.Y))
  return outX > 0 && outY > 0 ? Math.hypot(outX, outY) : Math.max(outX, outY)
}
