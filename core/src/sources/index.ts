export { repeatSpread } from './repeats'
