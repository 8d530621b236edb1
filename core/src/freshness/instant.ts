/**
 * A moment as milliseconds, to be compared with others: facts carry it as ISO 8601 with a zone, and two
 * zones do not compare as text. Reading a written time needs no clock.
 *
 * @returns NaN for what is not a time; it compares as neither earlier nor later.
 * @example instantOf('2026-03-02T08:00:00Z') // 1772438400000
 */
export const instantOf = (iso: string): number =>
  // eslint-disable-next-line no-restricted-globals -- parses a text; it never asks what time it is
  Date.parse(iso)

const DAY_MS = 86_400_000

/** A moment in days since 1970, to reckon with: how long ago, how fast it drifts. */
export const dayOf = (iso: string): number => instantOf(iso) / DAY_MS

/** The date of a day since 1970, as ten digits: `2026-03-02`, in universal time. */
export const dateOfDay = (day: number): string =>
  // eslint-disable-next-line no-restricted-globals -- writes a moment that was told; it never asks what time it is
  new Date(Math.floor(day) * DAY_MS).toISOString().slice(0, 10)
