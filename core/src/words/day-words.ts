const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')

/**
 * A day as people write it, readable in every country: “24 Nov 2026”.
 *
 * @param at ISO 8601, a day or a moment; its day is the one that is written in it. What is no such date comes back as it is.
 * @example describeDay('2026-11-24T14:05:00Z') // '24 Nov 2026'
 */
export function describeDay(at: string): string {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})/.exec(at) ?? []
  const name = MONTHS[Number(month) - 1]
  return name === undefined ? at : `${Number(day)} ${name} ${year}`
}
