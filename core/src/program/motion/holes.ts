import type { HoleHeights } from './canned-cycle'

/** What drilling does with the tool: it knows nothing of registers and of what is told. */
export interface HoleWalk {
  /** Along the depth, at rapid or at feed. */
  readonly along: (to: number, rapid: boolean) => void
  /** At rapid to the place that the block says, its depth left alone. */
  readonly across: () => void
  /** Where the tip is along the depth; NaN where it is not known. */
  readonly depth: () => number
}

/** Holes that one block may ask for. */
export const MOST_HOLES = 10_000

/**
 * Over each hole, to R, down, up again (NISTIR 6556 §3.5.16, from memory). Counted incrementally each lies as far from
 * the last one as the block says; the heights stay what they were at the first.
 */
export function drillHoles(
  { retract, bottom, top }: HoleHeights,
  times: number,
  { along, across, depth }: HoleWalk,
): void {
  for (let time = 0; time < Math.min(times, MOST_HOLES); time += 1) {
    // From below R it goes up before it goes across.
    if (depth() < retract) along(retract, true)
    across()
    along(retract, true)
    along(bottom, false)
    along(top, true)
  }
}
