import { gaugeChoices } from './least-minutes'
import {
  gaugesKey,
  keepsRules,
  orderMinutes,
  type ChangeTimes,
  type ChosenTouch,
  type OrderRules,
  type TouchToOrder,
} from './touch-order'

type Order = readonly ChosenTouch[]

/** Beginnings that are bettered: the quickest few of those that each choice of gauges gives. */
const BETTERED = 3
/** Of more tools than this a beginning is good enough: looking near it would take longer than it spares. */
const MOST_MOVED = 50
/** Tools that are moved together. */
const MOST_TOGETHER = 3

/**
 * A good order of many touches: with each choice of gauges, tools of one gauge after another round the changer; the best of these
 * are then bettered by moving a few, turning a stretch round, or touching one another way, until no such step saves time.
 */
export function nearbyOrder(
  touches: readonly TouchToOrder[],
  times: ChangeTimes,
  rules: OrderRules,
): Order {
  const minutesOf = (order: Order) => orderMinutes(order, times)
  const beginnings = beginningsOf(touches, rules).toSorted(
    (one, other) => minutesOf(one) - minutesOf(other),
  )
  const [best] = beginnings
  if (best !== undefined && touches.length > MOST_MOVED) return best
  const bettered = beginnings
    .slice(0, BETTERED)
    .map((order) => betterUntilNone(order, touches, minutesOf, rules))
  return bettered.reduce((least, order) => (minutesOf(order) < minutesOf(least) ? order : least))
}

/** An order for every choice of gauges that serves all tools, and for every gauge to begin with. */
function beginningsOf(touches: readonly TouchToOrder[], rules: OrderRules): readonly Order[] {
  return gaugeChoices(touches).flatMap((chosen) => {
    const touched = touches.flatMap(({ tool, pocket, ways }) => {
      const [quickest] = ways
        .filter((way) => chosen.includes(gaugesKey(way)))
        .toSorted((one, other) => one.minutes - other.minutes)
      return quickest === undefined ? [] : [{ tool, pocket, way: quickest }]
    })
    return touched.length < touches.length
      ? []
      : chosen.map((begun) =>
          byGauge(touched, [begun, ...chosen.filter((key) => key !== begun)], rules),
        )
  })
}

/** Tools of one gauge after those of another, each round the changer; what comes first and last by rule does. */
function byGauge(touched: Order, keys: readonly string[], { first }: OrderRules): Order {
  const ahead = first.flatMap((tool) => touched.filter((touch) => touch.tool === tool))
  const others = touched.filter(({ tool }) => !first.includes(tool))
  const inGroups = (some: Order) =>
    keys.flatMap((key) =>
      some
        .filter(({ way }) => gaugesKey(way) === key)
        .toSorted((one, other) => (one.pocket ?? 0) - (other.pocket ?? 0)),
    )
  return [
    ...ahead,
    ...inGroups(others.filter(({ pocket }) => pocket !== undefined)),
    ...inGroups(others.filter(({ pocket }) => pocket === undefined)),
  ]
}

function betterUntilNone(
  order: Order,
  touches: readonly TouchToOrder[],
  minutesOf: (order: Order) => number,
  rules: OrderRules,
): Order {
  const now = minutesOf(order)
  for (const step of stepsFrom(order, touches))
    if (keepsRules(step, rules) && minutesOf(step) < now - LEAST_GAIN)
      return betterUntilNone(step, touches, minutesOf, rules)
  return order
}

/** Less than this is rounding. Minutes. */
const LEAST_GAIN = 1e-9

function* stepsFrom(order: Order, touches: readonly TouchToOrder[]): Generator<Order> {
  for (let from = 0; from < order.length; from += 1) {
    yield* touchedOtherwise(order, from, touches)
    for (let to = from + 1; to < order.length; to += 1)
      yield [
        ...order.slice(0, from),
        ...order.slice(from, to + 1).toReversed(),
        ...order.slice(to + 1),
      ]
    for (let many = 1; many <= MOST_TOGETHER && from + many <= order.length; many += 1) {
      const moved = order.slice(from, from + many)
      const rest = [...order.slice(0, from), ...order.slice(from + many)]
      for (let to = 0; to <= rest.length; to += 1)
        yield [...rest.slice(0, to), ...moved, ...rest.slice(to)]
    }
  }
}

function* touchedOtherwise(
  order: Order,
  at: number,
  touches: readonly TouchToOrder[],
): Generator<Order> {
  const touch = order[at]
  if (touch === undefined) return
  for (const way of touches.find(({ tool }) => tool === touch.tool)?.ways ?? [])
    if (way !== touch.way) yield order.with(at, { ...touch, way })
}
