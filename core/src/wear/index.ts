export { correctionsFor, type LeftOver } from './corrections'
export { judgeFeature, measuresParts, measuringGauge, type JudgedFeature } from './judge-feature'
export { cameOut, type CameOut, wearChange } from './wear'
