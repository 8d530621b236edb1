import { describeDay } from '@pine/core/words'

/**
 * A moment as it is read off paper: “30 Nov 2026 14:05”.
 *
 * @param zone minutes that the clock of whoever reads it is east of UTC; where it is not known, UTC is named.
 */
export function momentOnPaper(at: string, zone: number | undefined): string {
  const there = new Date(Date.parse(at) + (zone ?? 0) * 60_000).toISOString()
  return `${describeDay(there)} ${there.slice(11, 16)}${zone === undefined ? ' UTC' : ''}`
}
