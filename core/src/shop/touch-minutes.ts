/** How long one touch of a tool takes, by the log of the machine: the middle of the gaps between one and the next, in minutes. */
export interface TouchMinutes {
  readonly median: number
  /** Half of them lie between these. */
  readonly lower: number
  readonly upper: number
  /** How many gaps tell it. */
  readonly count: number
}

/** A tip that was read: when, in milliseconds, and what lay at it. */
export interface TipMoment {
  readonly at: number
  readonly with: readonly string[]
}

/** From one touch to the next, in minutes; what lay at the next one. */
export interface TouchGap {
  readonly minutes: number
  readonly with: readonly string[]
}

/** A gap longer than this was a break, a shorter one two presses: neither is a touch. Minutes. */
const BREAK = 20
const PRESS = 0.2
/** Fewer gaps tell nothing. */
const LEAST = 5

/**
 * The gaps between one touch and the next that were neither breaks nor two presses of one, set-up by set-up.
 *
 * @param setups the moments of each set-up, in the order in which they were entered.
 */
export const touchGaps = (setups: readonly (readonly TipMoment[])[]): readonly TouchGap[] =>
  setups
    .flatMap((moments) =>
      moments.slice(1).map(({ at, with: gauges }, index) => ({
        minutes: (at - (moments[index]?.at ?? at)) / 60_000,
        with: gauges,
      })),
    )
    .filter(({ minutes }) => minutes >= PRESS && minutes <= BREAK)

/** How long a touch takes by these gaps. Undefined while too few tell it. */
export function touchMinutes(gaps: readonly TouchGap[]): TouchMinutes | undefined {
  if (gaps.length < LEAST) return undefined
  const sorted = gaps.map(({ minutes }) => minutes).toSorted((one, other) => one - other)
  return {
    lower: quantile(sorted, 0.25),
    median: quantile(sorted, 0.5),
    upper: quantile(sorted, 0.75),
    count: sorted.length,
  }
}

/** The value below which a share of sorted values lies, between two of them in proportion (Hyndman and Fan's seventh way). */
function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share
  const [below, above] = [sorted[Math.floor(at)] ?? NaN, sorted[Math.ceil(at)] ?? NaN]
  return below + (above - below) * (at - Math.floor(at))
}
