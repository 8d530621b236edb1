export { type DisplayedPosition, countedFrom, isOnCounter } from './displayed'
export { type FieldKey } from './fields'
export {
  QUANTITIES,
  type QuantityName,
  axesRead,
  axisOfQuantity,
  inMachinePosition,
  isAxisPosition,
  moduleOf,
  quantityKey,
  readingFields,
} from './quantities'
export { faceName } from './touch-words'
