export { carriedOver, type CarriedOver } from './carried-over'
export { minutesOfPlan, type PlannedTouch, planTouches, type TouchPlan } from './plan-touches'
export { type PlanKept, sheetAsPlanned } from './sheet-as-planned'
export { orderTouches } from './order-touches'
export {
  changeMinutes,
  type ChangeTimes,
  type ChosenTouch,
  keepsRules,
  orderMinutes,
  type OrderRules,
  type TouchToOrder,
} from './touch-order'
export { type WayAtHand } from './ways-at-hand'
