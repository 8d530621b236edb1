export { type KeyInLine } from './key-in'
export { readBackAgrees } from './read-back'
