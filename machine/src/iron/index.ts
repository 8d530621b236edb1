export { Drive, far } from './drive'
export { Slide, type SlideMade } from './slide'
