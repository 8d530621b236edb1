export { SCHOOLS, type School } from './schools'
export { waysOfZ } from './ways-of-z'
