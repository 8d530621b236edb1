import type { Place } from '../kit'
import type { Segment } from './ports'

/** A hole as its cycle goes: over it, down to the retract plane, in, and out again. Machine positions. */
export interface Hole {
  readonly from: Place
  readonly to: Place
  readonly retract: number
  readonly bottom: number
  readonly feed: number
  readonly returns: 98 | 99
  /** Depth of a peck; undefined for one go. */
  readonly step?: number | undefined
}

/** The pieces of one hole. */
export function drill({
  from,
  to,
  retract,
  bottom,
  feed,
  returns,
  step,
}: Hole): readonly Segment[] {
  const over = { X: to.X, Y: to.Y }
  const pieces: Segment[] = []
  const rapid = (Z: number) => pieces.push({ to: { ...over, Z }, rapid: true })
  const start = Math.max(from.Z, retract)
  if (from.Z < retract) pieces.push({ to: { ...from, Z: retract }, rapid: true })
  rapid(start)
  rapid(retract)
  const depths: number[] = []
  if (step !== undefined && step > 0)
    for (let depth = retract - step; depth > bottom; depth -= step) depths.push(depth)
  for (const depth of [...depths, bottom]) {
    pieces.push({ to: { ...over, Z: depth }, rapid: false, feed })
    rapid(retract)
  }
  if (returns === 98) rapid(start)
  return pieces
}
