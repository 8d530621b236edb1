/** A straight line through values over time. */
export interface Trend {
  /** Per day. */
  readonly slope: number
  /** Standard uncertainty of the slope; 0 where two values give it. */
  readonly slopeUncertainty: number
  /** Standard deviation of the values about the line. */
  readonly scatter: number
  /** Where the line stands at a day. */
  readonly at: (day: number) => number
}

/**
 * The line of least squares through values over days.
 *
 * @param points day and value, in any order; at least two, on at least two days.
 * @returns undefined for fewer.
 */
export function trendOf(
  points: readonly { readonly day: number; readonly value: number }[],
): Trend | undefined {
  const count = points.length
  const meanDay = points.reduce((sum, { day }) => sum + day, 0) / count
  const mean = points.reduce((sum, { value }) => sum + value, 0) / count
  const spread = points.reduce((sum, { day }) => sum + (day - meanDay) ** 2, 0)
  if (count < 2 || spread === 0) return undefined
  const slope =
    points.reduce((sum, { day, value }) => sum + (day - meanDay) * (value - mean), 0) / spread
  const at = (day: number) => mean + slope * (day - meanDay)
  const squares = points.reduce((sum, { day, value }) => sum + (value - at(day)) ** 2, 0)
  const scatter = count > 2 ? Math.sqrt(squares / (count - 2)) : 0
  return { slope, slopeUncertainty: scatter / Math.sqrt(spread), scatter, at }
}
