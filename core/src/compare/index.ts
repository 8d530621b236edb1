export {
  compareSetups,
  type RegisterDifference,
  type SetupDifferences,
  type SheetDifference,
  type Standing,
  type TermDifference,
} from './compare-setups'
export { asOf, momentsOf, type Moment } from './moments'
