export { type HomeMarks } from './home-frames'
export { nameOfReason, oldFrom } from './stale'
export { standingReadings } from './standing'
