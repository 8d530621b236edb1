/** Adds nothing that is seen. */
const ZERO_WIDTH_SPACE = '\u200b'

/**
 * Points with a label of their own each: the chart puts points of one label over each other, and two of one day are two. What a
 * person reads stays the same.
 */
export function apart<Point extends { readonly on: string }>(
  points: readonly Point[],
): readonly Point[] {
  const seen = new Map<string, number>()
  return points.map((point) => {
    const before = seen.get(point.on) ?? 0
    seen.set(point.on, before + 1)
    return { ...point, on: `${point.on}${ZERO_WIDTH_SPACE.repeat(before)}` }
  })
}
