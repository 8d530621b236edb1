export {
  field,
  moment,
  name,
  uuid,
  type Field,
  type Fields,
  type Leaves,
  type RecordOf,
  type Shape,
  type VariantOf,
} from './shape'
export { recordProblems, valueProblems } from './walk'
