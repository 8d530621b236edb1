import type { Ladder, Rung, RungKey } from './ladder'

export interface LadderBox {
  readonly width: number
  readonly height: number
  /** Kept free above the top rung for the spindle, and below the lowest for the table. */
  readonly marginTop: number
  readonly marginBottom: number
  /** Smallest distance between two labels, so that none covers another. */
  readonly labelPitch: number
}

export interface PlacedRung {
  readonly rung: Rung
  /** Pixels from the top, to scale. */
  readonly y: number
  /** Where its label stands: the same, unless a neighbour is in the way. */
  readonly labelY: number
}

/**
 * Places the rungs of a ladder to scale in a box.
 *
 * Every distance between rungs is true to one scale; only labels move, downwards, where they would
 * cover each other. A ladder of a single height is drawn in the middle.
 */
export function layoutLadder(ladder: Ladder, box: LadderBox): readonly PlacedRung[] {
  const sorted = [...ladder.rungs].sort((a, b) => b.height - a.height)
  const highest = sorted[0]?.height ?? 0
  const lowest = sorted.at(-1)?.height ?? 0
  const room = box.height - box.marginTop - box.marginBottom
  const scale = highest === lowest ? 0 : room / (highest - lowest)
  const start = highest === lowest ? box.marginTop + room / 2 : box.marginTop
  const ys = sorted.map((rung) => start + (highest - rung.height) * scale)
  const labels = spreadLabels(ys, box.labelPitch, box.height - box.labelPitch / 2)
  return sorted.map((rung, index) => ({
    rung,
    y: ys[index] ?? start,
    labelY: labels[index] ?? start,
  }))
}

/** Pushes labels down until they are a pitch apart, then up again from the lower edge. */
function spreadLabels(ys: readonly number[], pitch: number, lowest: number): readonly number[] {
  const down = ys.reduce<number[]>(
    (placed, y) => [...placed, Math.max(y, (placed.at(-1) ?? -Infinity) + pitch)],
    [],
  )
  return down.reduceRight<number[]>(
    (placed, y) => [Math.min(y, (placed[0] ?? lowest + pitch) - pitch), ...placed],
    [],
  )
}

/** Where a rung of this kind was placed. */
export const rungAt = (placed: readonly PlacedRung[], key: RungKey): PlacedRung | undefined =>
  placed.find(({ rung }) => rung.key === key)
