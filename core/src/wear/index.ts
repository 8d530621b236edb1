export { cameOut, type CameOut, wearChange } from './wear'
