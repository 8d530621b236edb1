export { type FieldKey, type FieldSpec, type FieldTypes } from './fields'
export {
  QUANTITIES,
  type QuantityName,
  axesRead,
  axisOfQuantity,
  moduleOf,
  quantityKey,
  readingFields,
} from './quantities'
export { faceName } from './touch-words'
