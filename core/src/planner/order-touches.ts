import { everyOrder } from './every-order'
import { leastMinutes } from './least-minutes'
import { nearbyOrder } from './nearby-order'
import {
  orderMinutes,
  type ChangeTimes,
  type OrderRules,
  type TouchOrder,
  type TouchToOrder,
} from './touch-order'

/** Of so many tools every order and every way is tried; of more, a good one is bettered until nothing near it is better. */
export const TRIED_IN_FULL = 10

/**
 * In which order to touch tools and with which gauges, so that it takes the least time. Up to ten tools nothing is quicker; for
 * more, `least` says what nothing could be quicker than.
 *
 * @throws RangeError where a tool has no way at all, or a rule names one that is not touched.
 */
export function orderTouches(
  touches: readonly TouchToOrder[],
  times: ChangeTimes,
  rules: OrderRules = { first: [] },
): TouchOrder {
  const without = touches.find(({ ways }) => ways.length === 0)
  if (without !== undefined) throw new RangeError(`T${without.tool} has no way to be touched`)
  const missing = rules.first.find((tool) => touches.every((touch) => touch.tool !== tool))
  if (missing !== undefined) throw new RangeError(`T${missing} is to come first and is not touched`)
  if (touches.length <= TRIED_IN_FULL) {
    const order = everyOrder(touches, times, rules)
    const minutes = orderMinutes(order, times)
    return { touches: order, minutes, least: minutes }
  }
  const order = nearbyOrder(touches, times, rules)
  return {
    touches: order,
    minutes: orderMinutes(order, times),
    least: leastMinutes(touches, times, rules),
  }
}
