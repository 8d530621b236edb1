export {
  type Address,
  axisOfAddress,
  lengthAddress,
  offsetAddress,
  registerName,
  rowOfAddress,
} from './address'
export { LAST_FURTHER_ROW, type MachineAxis, OFFSET_ROWS, type OffsetRow } from './row'
