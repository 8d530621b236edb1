import { gaugesKey, type ChangeTimes, type OrderRules, type TouchToOrder } from './touch-order'

/**
 * What no order of these touches takes less than, in minutes: the best choice of gauges, each laid ready once and each tool
 * touched by its quickest way with them, and the changer turned past all pockets of which the order is free, but over their
 * widest gap.
 */
export function leastMinutes(
  touches: readonly TouchToOrder[],
  times: ChangeTimes,
  { first }: OrderRules,
): number {
  const free = touches.filter(({ tool }) => !first.includes(tool))
  const chosen = gaugeChoices(touches).map(
    (gauges) => quickestWith(touches, gauges) + gauges.length * times.gauge,
  )
  return Math.min(...chosen) + leastTurning(free, times)
}

/** Infinity where these gauges do not serve every tool. */
const quickestWith = (touches: readonly TouchToOrder[], gauges: readonly string[]): number =>
  touches.reduce(
    (sum, { ways }) =>
      sum +
      Math.min(
        ...ways.filter((way) => gauges.includes(gaugesKey(way))).map(({ minutes }) => minutes),
      ),
    0,
  )

/** Every choice among the gauges that the touches can be made with, but none at all. */
export function gaugeChoices(touches: readonly TouchToOrder[]): readonly (readonly string[])[] {
  const keys = [...new Set(touches.flatMap(({ ways }) => ways.map(gaugesKey)))]
  return Array.from({ length: (1 << keys.length) - 1 }, (_, index) =>
    keys.filter((_, bit) => ((index + 1) & (1 << bit)) !== 0),
  )
}

/** A way that goes by points on a circle leaves out one gap between neighbours, the widest at best. */
function leastTurning(touches: readonly TouchToOrder[], { changer }: ChangeTimes): number {
  const pockets = [...new Set(touches.flatMap(({ pocket }) => pocket ?? []))].toSorted(
    (one, other) => one - other,
  )
  const [lowest] = pockets
  if (changer === undefined || lowest === undefined) return 0
  const gaps = pockets.map(
    (pocket, index) => (pockets[index + 1] ?? lowest + changer.pockets) - pocket,
  )
  return (changer.pockets - Math.max(...gaps)) * changer.minutesEach
}
