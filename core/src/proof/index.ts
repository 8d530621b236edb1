export { activeLift, mayLift } from './lift'
export { airCutLift, proofMove, type ProofMove } from './proof'
export { type ProofVerdict, addressesOf, proofVerdict } from './proven'
export { proofKey } from './proof-key'
