export { type KeyInLine, isCaptured, type NoStand } from './key-in'
export {
  lastDigitsToType,
  leastReadBack,
  partedDigits,
  readBackAgrees,
  shortReadBackDiffers,
  type Sign,
} from './read-back'
