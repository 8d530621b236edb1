/**
 * Cuts text that comes in pieces into lines, whatever ends them: line feed, carriage return or both, as
 * different computers write them. It keeps the unfinished line only.
 */
export class LineSplitter {
  private rest = ''
  private endedInReturn = false

  constructor(private readonly onLine: (line: string) => void) {}

  /** Takes the next piece in. */
  take(piece: string): void {
    // A pair that was cut in two between pieces is one line end.
    const from = this.endedInReturn && piece.startsWith('\n') ? 1 : 0
    if (piece.length > 0) this.endedInReturn = false
    let begin = from
    for (let at = from; at < piece.length; at += 1) {
      const code = piece.charCodeAt(at)
      if (code > CARRIAGE_RETURN || (code !== LINE_FEED && code !== CARRIAGE_RETURN)) continue
      const line = piece.slice(begin, at)
      this.onLine(this.rest === '' ? line : this.rest + line)
      this.rest = ''
      if (code === CARRIAGE_RETURN) {
        if (at + 1 === piece.length) this.endedInReturn = true
        else if (piece.charCodeAt(at + 1) === LINE_FEED) at += 1
      }
      begin = at + 1
    }
    this.rest += piece.slice(begin)
    // A file without line ends is no program: its one line must not fill the memory.
    if (this.rest.length > LONGEST_LINE) {
      this.onLine(this.rest)
      this.rest = ''
    }
  }

  /** Gives the last line, which may have no end. */
  end(): void {
    if (this.rest !== '') this.onLine(this.rest)
    this.rest = ''
  }
}

const LINE_FEED = 10
const CARRIAGE_RETURN = 13
const LONGEST_LINE = 65_536
