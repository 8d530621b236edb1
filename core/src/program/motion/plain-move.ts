/** The first number of each letter of a block; letters are counted from A. */
export class BlockNumbers {
  private readonly values = new Float64Array(26)
  /** A bit for each letter that is written: to forget them all costs nothing. */
  private written = 0

  clear(): void {
    this.written = 0
  }

  take(letter: number, value: number): void {
    if (this.has(letter)) return
    this.written |= 1 << letter
    this.values[letter] = value
  }

  has(letter: number): boolean {
    return (this.written & (1 << letter)) !== 0
  }

  /** NaN where the letter is not written. */
  get(letter: number): number {
    return this.has(letter) ? (this.values[letter] ?? NaN) : NaN
  }
}

/**
 * Reads the lines that a long program is made of: a move, its feed and its speed, and nothing else, each
 * number written as most are, `-12.345`. They go from the bytes of the line straight into an array, by
 * letter, without a text or a word being made for any. Every other line is left to `readBlock`.
 *
 * A number is put together from its digits: an integer below 10^9 over a power of ten is rounded once, as
 * reading its text would be.
 *
 * @returns true where the whole line, which stands from `from` to `to`, is such a move: then `numbers` holds
 *   its numbers; false leaves `numbers` in no defined state
 */
export function readPlainMove(
  line: Uint8Array,
  from: number,
  to: number,
  numbers: BlockNumbers,
): boolean {
  numbers.clear()
  let at = from
  while (at < to) {
    const letter = LETTERS[line[at] ?? 0] ?? OTHER
    at += 1
    if (letter === BLANK) continue
    if (letter === OTHER) return false
    let code = at < to ? (line[at] ?? 0) : 0
    const negative = code === MINUS
    if (negative || code === PLUS) {
      at += 1
      code = at < to ? (line[at] ?? 0) : 0
    }
    let whole = 0
    const start = at
    let point = -1
    for (;;) {
      const digit = code - ZERO
      if (digit >= 0 && digit <= 9) whole = whole * 10 + digit
      else if (code === POINT && point < 0) point = at
      else break
      at += 1
      code = at < to ? (line[at] ?? 0) : 0
    }
    const digits = at - start - (point < 0 ? 0 : 1)
    if (digits === 0 || digits > MOST_DIGITS) return false
    if (letter === G && (whole > LAST_MOTION || negative || point >= 0)) return false
    const size = point < 0 ? whole : whole / (POWERS[at - 1 - point] ?? 1)
    numbers.take(letter, negative && whole !== 0 ? -size : size)
  }
  return true
}

const PLUS = 43
const MINUS = 45
const POINT = 46
const ZERO = 48
/** What stays an integer of 32 bits. */
const MOST_DIGITS = 9
const POWERS = Float64Array.from({ length: MOST_DIGITS + 1 }, (_, power) => 10 ** power)
const G = 6
/** G0 to G3 are motions; every other G changes something. */
const LAST_MOTION = 3
const BLANK = 254
const OTHER = 255
/** What a byte is, by its code: a letter of a plain move counted from A, a blank, or something else. */
const LETTERS = Uint8Array.from({ length: 256 }, (_, code) => {
  const text = String.fromCharCode(code)
  if (' \t\r'.includes(text)) return BLANK
  const letter = text.toUpperCase()
  return 'XYZIJKRFSNG'.includes(letter) ? letter.charCodeAt(0) - 65 : OTHER
})
