import { NumberScanner } from './block'

/**
 * Reads the lines that a long program is made of: a move, its feed and its speed, and nothing else. Their
 * numbers go straight into an array, by letter, without a word being made for each; any other line is left
 * to `readBlock`.
 */
export class PlainMoveReader {
  private readonly scanner = new NumberScanner()

  /**
   * True where the whole line is such a move: then `numbers` holds the first number of each letter (A is 0),
   * NaN where it is not written. False leaves `numbers` in no defined state.
   */
  read(line: string, numbers: Float64Array): boolean {
    numbers.fill(NaN)
    const { scanner } = this
    let at = 0
    while (at < line.length) {
      const code = line.charCodeAt(at)
      if (code === SPACE || code === TAB) {
        at += 1
        continue
      }
      const index = (code | LOWER_CASE) - LOWER_A
      if (index < 0 || index > 25 || PLAIN[index] !== 1 || !scanner.read(line, at + 1)) return false
      const { value } = scanner
      if (index === G && value !== 0 && value !== 1 && value !== 2 && value !== 3) return false
      if (Number.isNaN(numbers[index])) numbers[index] = value
      at = scanner.end
    }
    return true
  }
}

const SPACE = 32
const TAB = 9
/** The bit that tells lower from upper case. */
const LOWER_CASE = 32
const LOWER_A = 97
const G = 6
const PLAIN = Uint8Array.from({ length: 26 }, (_, index) =>
  'XYZIJKRFSNG'.includes(String.fromCharCode(65 + index)) ? 1 : 0,
)
