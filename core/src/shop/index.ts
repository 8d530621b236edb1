export { type ChartSignal, type ControlChart } from './control-chart'
export { type IntervalAdvice } from './check-interval'
export { type GaugeCheck, type GaugeStanding, gaugeStanding } from './gauge-checks'
