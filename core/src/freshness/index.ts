export { type GaugeElsewise, gaugesElsewise } from './gauges-today'
export { nameOfReason, type StaleReason, oldFrom } from './stale'
export { standingReadings } from './standing'
