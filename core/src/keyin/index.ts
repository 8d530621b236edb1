export { type KeyInLine, isCaptured, type NoStand } from './key-in'
export {
  LAST_DIGITS,
  leastReadBack,
  partedDigits,
  readBackAgrees,
  shortReadBackDiffers,
  type Sign,
} from './read-back'
