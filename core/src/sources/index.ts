export { repeatSpread } from './repeats'
export { drawingOf } from './standing-rows'
