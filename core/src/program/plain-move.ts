import { NumberScanner } from './block'

/**
 * The first number of each letter of a block; letters are counted from A. It is emptied by what was
 * written in it, since most blocks write three letters of the twenty-six.
 */
export class BlockNumbers {
  /** NaN where a letter is not written. */
  readonly values = new Float64Array(26).fill(NaN)
  private readonly written = new Uint8Array(26)
  private count = 0

  clear(): void {
    for (let at = 0; at < this.count; at += 1) this.values[this.written[at] ?? 0] = NaN
    this.count = 0
  }

  take(letter: number, value: number): void {
    if (!Number.isNaN(this.values[letter])) return
    this.values[letter] = value
    this.written[this.count] = letter
    this.count += 1
  }
}

/**
 * Reads the lines that a long program is made of: a move, its feed and its speed, and nothing else. Their
 * numbers go straight into an array, by letter, without a word being made for each; any other line is left
 * to `readBlock`.
 */
export class PlainMoveReader {
  private readonly scanner = new NumberScanner()

  /**
   * True where the whole line, which stands from `from` to `to` in a text, is such a move: then `numbers` holds its numbers. False leaves `numbers` in
   * no defined state.
   */
  read(text: string, from: number, to: number, numbers: BlockNumbers): boolean {
    numbers.clear()
    const { scanner } = this
    let at = from
    while (at < to) {
      const code = text.charCodeAt(at)
      if (code === SPACE || code === TAB) {
        at += 1
        continue
      }
      const index = (code | LOWER_CASE) - LOWER_A
      if (index < 0 || index > 25 || PLAIN[index] !== 1 || !scanner.read(text, at + 1, to))
        return false
      const { value } = scanner
      if (index === G && value !== 0 && value !== 1 && value !== 2 && value !== 3) return false
      numbers.take(index, value)
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
