/**
 * Cuts a file that comes in pieces into lines, whatever ends them: line feed, carriage return or both, as
 * different computers write them. It keeps the unfinished line only. It works on bytes: the ends of lines are
 * the same bytes in UTF-8 as in ASCII, and most lines of a program need never become text.
 */
export class LineSplitter {
  private rest: Uint8Array = NOTHING
  private endedInReturn = false

  /** In the middle of a line that is too long to be one. */
  private skips = false

  /**
   * `onLine` is given where in some bytes the line stands; they may be written over once it returns. `onTooLong` is
   * called in its place for a line that is no line of a program: cut anywhere, its numbers would be others.
   */
  constructor(
    private readonly onLine: (bytes: Uint8Array, from: number, to: number) => void,
    private readonly onTooLong: () => void,
  ) {}

  /** Takes the next piece in. */
  take(piece: Uint8Array): void {
    // A pair that was cut in two between pieces is one line end.
    let begin = this.endedInReturn && piece[0] === LINE_FEED ? 1 : 0
    if (piece.length > 0) this.endedInReturn = false
    for (let at = begin; at < piece.length; at += 1) {
      const code = piece[at] ?? 0
      if (code > CARRIAGE_RETURN || (code !== LINE_FEED && code !== CARRIAGE_RETURN)) continue
      this.give(piece, begin, at)
      if (code === CARRIAGE_RETURN) {
        if (at + 1 === piece.length) this.endedInReturn = true
        else if (piece[at + 1] === LINE_FEED) at += 1
      }
      begin = at + 1
    }
    if (this.skips) return
    this.rest = joined(this.rest, piece.subarray(begin))
    // A file without line ends is no program: its one line must not fill the memory.
    if (this.rest.length > LONGEST_LINE) this.skip()
  }

  private skip(): void {
    this.skips = true
    this.rest = NOTHING
    this.onTooLong()
  }

  /** Gives the last line, which may have no end. */
  end(): void {
    const { rest } = this
    this.rest = NOTHING
    if (rest.length > 0) this.onLine(rest, 0, rest.length)
  }

  private give(piece: Uint8Array, from: number, to: number): void {
    if (this.skips) {
      this.skips = false
      return
    }
    if (this.rest.length + to - from > LONGEST_LINE) {
      this.skip()
      this.skips = false
      return
    }
    if (this.rest.length === 0) return this.onLine(piece, from, to)
    this.rest = joined(this.rest, piece.subarray(from, to))
    this.end()
  }
}

/** A copy: a piece may be written over by the next one. */
function joined(first: Uint8Array, second: Uint8Array): Uint8Array {
  const both = new Uint8Array(first.length + second.length)
  both.set(first)
  both.set(second, first.length)
  return both
}

const NOTHING = new Uint8Array(0)
const LINE_FEED = 10
const CARRIAGE_RETURN = 13
/** Bytes of one line. Longer lines than this have no numbers of a program in them. */
export const LONGEST_LINE = 65_536
