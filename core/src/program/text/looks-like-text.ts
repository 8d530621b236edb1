/**
 * Whether the beginning of a file is text that could be a program: no zero byte, and hardly a control
 * character. What it says is left to the reader.
 */
export function looksLikeText(sample: Uint8Array): boolean {
  let odd = 0
  for (const byte of sample) {
    if (byte === 0) return false
    if (byte < SPACE && !(byte >= TAB && byte <= CARRIAGE_RETURN)) odd += 1
  }
  return odd <= sample.length / 100
}

const TAB = 9
const CARRIAGE_RETURN = 13
const SPACE = 32
