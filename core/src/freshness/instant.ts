/**
 * A moment as milliseconds, to be compared with others: facts carry it as ISO 8601 with a zone, and two
 * zones do not compare as text. Reading a written time needs no clock.
 *
 * @returns NaN for what is not a time; it compares as neither earlier nor later.
 */
export const instantOf = (iso: string): number =>
  // eslint-disable-next-line no-restricted-globals -- parses a text; it never asks what time it is
  Date.parse(iso)
