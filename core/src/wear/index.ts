export { correctionsFor, type LeftOver } from './corrections'
export { farMeasured, type FarMeasured } from './far-measured'
export { judgeFeature, measuresParts, measuringGauge, type JudgedFeature } from './judge-feature'
export { cameOut, type CameOut, wearChange } from './wear'
