export { type KeyInLine } from './key-in'
export {
  areLastDigits,
  LAST_DIGITS,
  leastReadBack,
  partedDigits,
  readBackAgrees,
  SHORT_READ_BACKS,
  type ShortReadBack,
} from './read-back'
