export { orderTouches, TRIED_IN_FULL } from './order-touches'
export {
  changeMinutes,
  type ChangeTimes,
  type ChosenTouch,
  keepsRules,
  orderMinutes,
  type OrderRules,
  type TouchOrder,
  type TouchToOrder,
  type TouchWay,
} from './touch-order'
