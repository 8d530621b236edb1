import { touchMinutes, type TouchGap, type TouchMinutes } from '../shop/touch-minutes'
import type { GaugeKind } from '../touch/gauge-kinds'

/**
 * How long a touch with a gauge takes where no log tells it, in minutes, the tool's change included. Written from memory: a shop's
 * own log takes its place as soon as it has five of them.
 */
const USUAL: Readonly<Record<GaugeKind, number>> = {
  'fixed-setter': 1,
  'light-setter': 1.5,
  'height-setter': 1.5,
  plate: 1.5,
  paper: 2,
  card: 2,
  shim: 2,
  ball: 2,
  'gauge-block': 2.5,
  pin: 2.5,
  probe: 2,
  'dial-sensor': 2,
  'edge-finder': 2,
  wobbler: 2,
  cutter: 2,
  'dial-indicator': 3,
  micrometer: 2,
}

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
  const usual = kinds.length === 0 ? USUAL_BARE : Math.max(...kinds.map((kind) => USUAL[kind]))
  return { median: usual, lower: usual / LOOSE, upper: usual * LOOSE, count: 0 }
}
