export { type ChartSignal, type ControlChart } from './control-chart'
export { type IntervalAdvice } from './check-interval'
export { type GaugeCheck, type GaugeStanding, gaugeStanding } from './gauge-checks'
export {
  checksAmong,
  keptOffers,
  touchesToKeep,
  type AskedTool,
  type KeptOffer,
  type KeptTouch,
  type ShopEvent,
  type ToolUse,
} from './kept-offers'
