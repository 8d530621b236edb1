export { wearChange } from './wear'
