export {
  columnsOfList,
  IMPORT_LISTS,
  type ColumnRole,
  type ImportList,
  type ImportMapping,
} from './columns'
export { guessMapping } from './heading'
export {
  decimalOf,
  identityOf,
  importRows,
  missingColumns,
  pocketOf,
  withoutKnown,
  type AlreadyThere,
  type ImportBody,
  type ImportProblem,
  type ImportRead,
  type ImportTable,
} from './import-rows'
export { IMPORT_FAULTS, type ImportFault } from './read-cell'
