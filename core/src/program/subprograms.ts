/** A line with where it stands in the file, from 1. */
export interface NumberedLine {
  readonly line: number
  readonly text: string
}

/** Bodies by their O number. */
export type Subprograms = ReadonlyMap<number, readonly NumberedLine[]>

/** More lines than this are not kept: a file may hold anything after its end. */
const MOST_LINES = 100_000

/**
 * Keeps the subprograms that stand behind the end of a program, `O1000` to `M99` (ISO 6983 as commonly
 * practised), for a second pass: a call stands before the body that it calls.
 */
export class SubprogramShelf {
  readonly bodies = new Map<number, NumberedLine[]>()
  private open: NumberedLine[] | undefined
  private kept = 0

  take(line: number, text: string): void {
    const name = NAME.exec(text)
    if (name !== null) {
      this.open = []
      this.bodies.set(Number(name[1]), this.open)
      return
    }
    if (this.open === undefined || this.kept >= MOST_LINES) return
    this.kept += 1
    this.open.push({ line, text })
    if (END.test(text)) this.open = undefined
  }
}

const NAME = /^\s*\/?\s*O\s*(\d+)/i
const END = /^[^(;]*M\s*0*99(?!\d)/i
