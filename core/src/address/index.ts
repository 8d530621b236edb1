export {
  type Address,
  axisOfAddress,
  lengthAddress,
  offsetAddress,
  registerName,
  rowOfAddress,
} from './address'
export { AXES, LAST_FURTHER_ROW, type MachineAxis, OFFSET_ROWS, type OffsetRow } from './row'
