export { formatLength } from './format-length'
export {
  LENGTH_UNITS,
  type LengthUnit,
  NANOMETRES_PER,
  type Nanometres,
  type WrittenLength,
  otherUnit,
  toNanometres,
} from './length'
export { textIn } from './text-in'
export { nanometresOf, type ReadLengthOptions, readLength } from './read-length'
