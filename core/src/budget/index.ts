export { expandedUncertainty } from './budget'
export { monteCarlo } from './monte-carlo'
