export {
  AGENT_FIELDS,
  ASSEMBLY_FIELDS,
  SHOP_FIELDS,
  type GaugeCheckFact,
  type GaugeFact,
  type MachineEventFact,
  type MachineFact,
  type ReversalTest,
  type ShopBodies,
  type ToolAssembly,
  type ToolEventFact,
} from './bodies'
export { type BenchLength, benchLength } from './bench-length'
export {
  carriedLength,
  type CarriedLength,
  type MeasuredTool,
  noseDifferences,
  type NoseDifference,
} from './carried-length'
export { featuresOverTime, type FeatureOverTime, type FirstPart } from './features-over-time'
export { type ChartSignal, type ControlChart } from './control-chart'
export { type IntervalAdvice } from './check-interval'
export { type GaugeCheck, type GaugeStanding, gaugeStanding } from './gauge-checks'
export {
  checksAmong,
  keptOffers,
  offersByGeneration,
  touchesToKeep,
  type AskedTool,
  type KeptOffer,
  type KeptTouch,
  type ShopEvent,
  type ToolUse,
} from './kept-offers'
export {
  PROPERTY_NAMES,
  SEATS,
  TOOL_HAPPENINGS,
  TOOL_PROPERTIES,
  type Seat,
  type ToolHappening,
  type ToolProperty,
} from './tool-properties'
export { LEAST_PAIRS, lostMotionBy, type Reversal, type ReversalPair } from './reversal'
export { holderRepeatsMm, lastLengthOf, toolTrust, type ToolTrust } from './tool-trust'
export {
  touchGaps,
  touchMinutes,
  type TipMoment,
  type TouchGap,
  type TouchMinutes,
} from './touch-minutes'
