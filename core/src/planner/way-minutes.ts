import { touchMinutes, type TouchGap, type TouchMinutes } from '../shop/touch-minutes'
import { GAUGE_FACTS, type GaugeKind } from '../touch/gauge-kinds'

/** With nothing between, looking for the moment of contact. From memory. */
const USUAL_BARE = 2

/** How long a touch takes, and whether the shop's log tells it. */
export type WayMinutes = Pick<TouchMinutes, 'median' | 'lower' | 'upper'> & {
  /** How many of its own touches tell it; 0 where it is the usual time. */
  readonly count: number
}

/** How far from the usual time a touch may well be, where no log tells it: from half of it to twice. */
const LOOSE = 2

/**
 * How long a touch with these gauges takes: by the shop's own touches with them, or the usual time of their kind.
 *
 * @param kinds the kinds of these gauges, in their order.
 */
export function wayMinutes(
  gauges: readonly string[],
  kinds: readonly GaugeKind[],
  gaps: readonly TouchGap[],
): WayMinutes {
  const key = gauges.join('+')
  const logged = touchMinutes(gaps.filter((gap) => gap.with.join('+') === key))
  if (logged !== undefined) return logged
  const usual =
    kinds.length === 0 ? USUAL_BARE : Math.max(...kinds.map((kind) => GAUGE_FACTS[kind].minutes))
  return { median: usual, lower: usual / LOOSE, upper: usual * LOOSE, count: 0 }
}
