export { cameOut, wearChange } from './wear'
