export {
  addressIn,
  type ControlMade,
  Rows,
  type RowName,
  WORK_ROWS,
  type WorkRow,
  type WorkTotal,
} from './rows'
export { Counters } from './counters'
export { press, type Pressed, type Standing } from './keys'
