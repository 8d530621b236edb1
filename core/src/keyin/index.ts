export { type KeyInLine } from './key-in'
export {
  areLastDigits,
  LAST_DIGITS,
  leastReadBack,
  partedDigits,
  readBackAgrees,
} from './read-back'
