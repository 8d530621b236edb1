import { GAUGE_FACTS, type GaugeKind } from '../touch/gauge-kinds'
import type { Budget } from './budget'

/** Contacts that can stand in for one another, the cheapest and quickest first (common practice, no source). */
const LADDERS: readonly (readonly GaugeKind[])[] = [
  ['card', 'paper', 'shim', 'height-setter', 'probe'],
  ['cutter', 'pin', 'wobbler', 'edge-finder', 'dial-sensor', 'probe'],
]

/** Nobody takes a touch more often than this. */
const MOST_REPEATS = 4

/** Path of what a machine declares of its screws. */
const LOST_MOTION = 'sheet.machine.lostMotion.'

/** The cheapest change that brings U within the need, or the one that brings it closest. */
export type Advice =
  | { readonly do: 'repeat'; readonly sourceId: string; readonly times: number }
  | { readonly do: 'change-gauge'; readonly sourceId: string; readonly to: GaugeKind }
  | { readonly do: 'read-finer'; readonly sourceId: string }
  /** The screw's backlash is not known: measured once, it counts exactly in every set-up. */
  | { readonly do: 'declare-lost-motion'; readonly sourceId: string }

/**
 * What to do about a number that is not sure enough: look at its largest contribution, repeat that
 * touch if a few repeats suffice, else take the next better contact that does.
 *
 * @param kindOf the gauge kind that a reading was taken with, if any.
 */
export function adviceFor(
  budget: Budget,
  neededMm: number,
  kindOf: (sourceId: string) => GaugeKind | undefined,
): Advice | undefined {
  const [largest] = budget.lines
  if (largest === undefined || budget.expandedMm <= neededMm) return undefined
  const sourceId = largest.source.id
  if (sourceId.startsWith(LOST_MOTION)) return { do: 'declare-lost-motion', sourceId }
  const wanted = neededMm / budget.coverageFactor
  const others = Math.sqrt(Math.max(budget.standardMm ** 2 - largest.contributionMm ** 2, 0))
  const reached = (contributionMm: number) => Math.hypot(others, contributionMm) <= wanted
  for (let times = 2; times <= MOST_REPEATS; times += 1)
    if (reached(largest.contributionMm / Math.sqrt(times))) return { do: 'repeat', sourceId, times }
  const kind = kindOf(sourceId)
  const better = betterThan(kind)
  const enough =
    better.find((one) =>
      reached(Math.abs(largest.coefficient) * GAUGE_FACTS[one].repeatabilityMm),
    ) ?? better.at(-1)
  return enough === undefined
    ? { do: 'read-finer', sourceId }
    : { do: 'change-gauge', sourceId, to: enough }
}

/** Contacts that repeat better, cheapest first; a bare touch is bettered by any of the first ladder. */
function betterThan(kind: GaugeKind | undefined): readonly GaugeKind[] {
  const ladder = LADDERS.find((one) => kind === undefined || one.includes(kind)) ?? []
  const now = kind === undefined ? Infinity : GAUGE_FACTS[kind].repeatabilityMm
  return ladder.filter((one) => GAUGE_FACTS[one].repeatabilityMm < now)
}
