export { correctionsFor } from './corrections'
export { cameOut, type CameOut, wearChange } from './wear'
