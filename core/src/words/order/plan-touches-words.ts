import type { WayAtHand } from '../../planner/ways-at-hand'

/** “1.5 min”, “12 min”: tenths while they mean something. */
export const describeMinutes = (minutes: number): string =>
  `${minutes < 9.95 ? minutes.toFixed(1) : Math.round(minutes)} min`

/** By what it is known how long a touch takes: “1.2 to 1.9 minutes, by 12 in the log of this machine.” */
export function describeWayMinutes({ minutes }: Pick<WayAtHand, 'minutes'>): string {
  const { lower, upper, count } = minutes
  const between = `${lower.toFixed(1)} to ${upper.toFixed(1)} minutes`
  return count === 0
    ? `${between}, as touches with it usually take: the log of this machine has too few.`
    : `${between}, by ${count} in the log of this machine.`
}

/** How sure a touch by it is, and whether that is enough. Millimetres. */
export function describeWaySureness({ withinMm, fitness }: Omit<WayAtHand, 'minutes'>): string {
  if (withinMm === undefined) return 'nothing tells how sure yet'
  const within = `± ${withinMm.toFixed(3)} mm`
  if (fitness === undefined || fitness === 'fit') return within
  return fitness === 'undecided' ? `${within}, barely enough` : `${within}, not sure enough`
}

/** What another way costs and brings beside the chosen one: “0.5 min quicker, ± 0.026 mm (and not ± 0.007)”. */
export function describeOtherWay(other: WayAtHand, chosen: WayAtHand): string {
  const apart = other.minutes.median - chosen.minutes.median
  const time =
    Math.abs(apart) < 0.05
      ? 'as quick'
      : `${Math.abs(apart).toFixed(1)} min ${apart < 0 ? 'quicker' : 'slower'}`
  const beside = chosen.withinMm === undefined ? '' : ` (and not ± ${chosen.withinMm.toFixed(3)})`
  return `${time}, ${describeWaySureness(other)}${beside}`
}

/** “7 touches, about 14 minutes”. */
export function describePlan(touches: number, minutes: number): string {
  const some = touches === 1 ? 'One touch' : `${touches} touches`
  const about = Math.max(1, Math.round(minutes))
  return `${some}, about ${about === 1 ? 'a minute' : `${about} minutes`}.`
}
