/**
 * Cuts text that comes in pieces into lines, whatever ends them: line feed, carriage return or both, as
 * different computers write them. It keeps the unfinished line only.
 */
export class LineSplitter {
  private rest = ''
  private endedInReturn = false

  /** `onLine` is given where in a text the line stands: most lines can be read there without being cut out. */
  constructor(private readonly onLine: (text: string, from: number, to: number) => void) {}

  /** Takes the next piece in. */
  take(piece: string): void {
    // A pair that was cut in two between pieces is one line end.
    const from = this.endedInReturn && piece.startsWith('\n') ? 1 : 0
    if (piece.length > 0) this.endedInReturn = false
    this.rest = piece.includes('\r') ? this.anyEnds(piece, from) : this.lineFeeds(piece, from)
    // A file without line ends is no program: its one line must not fill the memory.
    if (this.rest.length > LONGEST_LINE) {
      this.onLine(this.rest, 0, this.rest.length)
      this.rest = ''
    }
  }

  /** Gives the last line, which may have no end. */
  end(): void {
    if (this.rest !== '') this.onLine(this.rest, 0, this.rest.length)
    this.rest = ''
  }

  /** Most files: found by the language's own search. Gives what is left. */
  private lineFeeds(piece: string, from: number): string {
    let begin = from
    for (let at = piece.indexOf('\n', begin); at >= 0; at = piece.indexOf('\n', begin)) {
      this.give(piece, begin, at)
      begin = at + 1
    }
    return this.rest + piece.slice(begin)
  }

  private anyEnds(piece: string, from: number): string {
    let begin = from
    for (let at = from; at < piece.length; at += 1) {
      const code = piece.charCodeAt(at)
      if (code > CARRIAGE_RETURN || (code !== LINE_FEED && code !== CARRIAGE_RETURN)) continue
      this.give(piece, begin, at)
      if (code === CARRIAGE_RETURN) {
        if (at + 1 === piece.length) this.endedInReturn = true
        else if (piece.charCodeAt(at + 1) === LINE_FEED) at += 1
      }
      begin = at + 1
    }
    return this.rest + piece.slice(begin)
  }

  private give(piece: string, from: number, to: number): void {
    if (this.rest === '') return this.onLine(piece, from, to)
    const whole = this.rest + piece.slice(from, to)
    this.rest = ''
    this.onLine(whole, 0, whole.length)
  }
}

const LINE_FEED = 10
const CARRIAGE_RETURN = 13
const LONGEST_LINE = 65_536
