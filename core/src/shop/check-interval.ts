import { trendOf, type Trend } from './trend'

/** How often something is to be checked, so that it stays within what it may be off. */
export interface IntervalAdvice {
  /** Whole days to the next check; 0 where it is to be looked at before it is used again. */
  readonly days: number
  /** Why no longer: what it drifts by, how it scatters, or that nobody looks less often. */
  readonly because: 'drift' | 'scatter' | 'longest' | 'too-few'
  readonly trend?: Trend
}

/** Nobody looks less often than once a year, whatever it did so far. Common practice, no source. */
export const LONGEST_DAYS = 365
/** With fewer checks nothing tells a drift from scatter: once a month, as small shops do. Common practice, no source. */
const FEW = 4
const FEW_DAYS = 30
/** One-sided 97.5 %: of a normal distribution. */
const SURE = 1.96

/**
 * How long until something that is checked may have left its limit, by its own drift and scatter: it is checked again before the line
 * through its checks, with twice its uncertainty and one check's scatter on top, comes to the limit.
 *
 * @param checks day and how far it was off, in the unit of the limit; in the order of the days.
 * @param limit how far it may be off, above zero.
 */
export function intervalAdvice(
  checks: readonly { readonly day: number; readonly value: number }[],
  limit: number,
): IntervalAdvice {
  const last = checks.at(-1)
  const trend = checks.length < FEW ? undefined : trendOf(checks)
  if (last === undefined || trend === undefined) return { days: FEW_DAYS, because: 'too-few' }
  const days = daysWithin(checks, trend, last.day, limit)
  return {
    days,
    because:
      days >= LONGEST_DAYS
        ? 'longest'
        : Math.abs(trend.slope) > SURE * trend.slopeUncertainty
          ? 'drift'
          : 'scatter',
    trend,
  }
}

/** Whole days for which the band around the line stays within the limit. */
function daysWithin(
  checks: readonly { readonly day: number }[],
  trend: Trend,
  today: number,
  limit: number,
): number {
  const meanDay = checks.reduce((sum, { day }) => sum + day, 0) / checks.length
  const isWithin = (ahead: number) => {
    const day = today + ahead
    // How well the line is known there, and how far one reading lies from it.
    const uncertainty = Math.hypot(
      trend.scatter / Math.sqrt(checks.length),
      trend.slopeUncertainty * (day - meanDay),
      trend.scatter,
    )
    return Math.abs(trend.at(day)) + SURE * uncertainty <= limit
  }
  let days = 0
  while (days < LONGEST_DAYS && isWithin(days + 1)) days += 1
  return days
}
