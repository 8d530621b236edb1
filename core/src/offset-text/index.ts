export { columnsOf, readOffsetColumns, type ColumnMapping } from './read-offset-columns'
export {
  OFFSET_TEXT_FAULTS,
  readOffsetText,
  type OffsetText,
  type OffsetTextFault,
  type OffsetTextProblem,
  type StatedRow,
} from './read-offset-text'
export {
  LEFT_OUT_BECAUSE,
  offsetProgram,
  underForms,
  type LeftOutBecause,
  type OffsetProgram,
  type OffsetProgramRequest,
} from './write-offset-program'
