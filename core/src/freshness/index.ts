export { type GaugeElsewise, gaugesElsewise } from './gauges-today'
export { type HomeMarks } from './home-frames'
export { nameOfReason, type StaleReason, oldFrom } from './stale'
export { standingReadings } from './standing'
