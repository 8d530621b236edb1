/** How long one touch of a tool takes, by the log of the machine: the middle of the gaps between one and the next, in minutes. */
export interface TouchMinutes {
  readonly median: number
  /** Half of them lie between these. */
  readonly lower: number
  readonly upper: number
  /** How many gaps tell it. */
  readonly count: number
}

/** A gap longer than this was a break, a shorter one two presses: neither is a touch. Minutes. */
const BREAK = 20
const PRESS = 0.2
/** Fewer gaps tell nothing. */
const LEAST = 5

/**
 * How long a touch takes from the moments at which tips were read, set-up by set-up. Undefined while too few tell it.
 *
 * @param moments of each set-up, in milliseconds, in the order in which they were entered.
 */
export function touchMinutes(moments: readonly (readonly number[])[]): TouchMinutes | undefined {
  const gaps = moments
    .flatMap((of) => of.slice(1).map((at, index) => (at - (of[index] ?? at)) / 60_000))
    .filter((minutes) => minutes >= PRESS && minutes <= BREAK)
    .toSorted((one, other) => one - other)
  if (gaps.length < LEAST) return undefined
  return {
    lower: quantile(gaps, 0.25),
    median: quantile(gaps, 0.5),
    upper: quantile(gaps, 0.75),
    count: gaps.length,
  }
}

/** The value below which a share of sorted values lies, between two of them in proportion (Hyndman and Fan's seventh way). */
function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share
  const [below, above] = [sorted[Math.floor(at)] ?? NaN, sorted[Math.ceil(at)] ?? NaN]
  return below + (above - below) * (at - Math.floor(at))
}
