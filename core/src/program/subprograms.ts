/** A line with where it stands in the file, from 1. */
export interface NumberedLine {
  readonly line: number
  readonly text: string
}

/** Bodies by their O number. */
export type Subprograms = ReadonlyMap<number, readonly NumberedLine[]>

/** More lines than this are not kept: a file may hold anything after its end. */
const MOST_LINES = 100_000
const MOST_BODIES = 10_000

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
      if (this.bodies.size < MOST_BODIES) this.bodies.set(Number(name[1]), this.open)
      return
    }
    if (this.open === undefined || this.kept >= MOST_LINES) return
    this.kept += 1
    this.open.push({ line, text })
    if (END.test(text)) this.open = undefined
  }
}

/** What became of a line of a body: the next one comes, the body has returned, or the whole program is over. */
export type LineOutcome = 'goes-on' | 'returned' | 'ended'

/** A subprogram that calls itself would never end. */
const DEEPEST_CALL = 8
const MOST_LINES_CALLED = 300_000

/** Runs the bodies that a first pass has found, within bounds; and remembers which were called for. */
export class SubprogramCalls {
  private readonly called = new Set<number>()
  private depth = 0
  private lines = 0

  constructor(private readonly bodies: Subprograms) {}

  /**
   * Gives each line of a body to `take`, as often as it is repeated.
   *
   * @returns why it was not followed, or not to its end
   */
  run(
    name: number | undefined,
    times: number,
    take: (line: NumberedLine) => LineOutcome,
  ): 'subprogram-not-followed' | 'subprogram-too-long' | undefined {
    if (name !== undefined && this.called.size < MOST_BODIES) this.called.add(name)
    const body = name === undefined ? undefined : this.bodies.get(name)
    if (body === undefined || this.depth >= DEEPEST_CALL) return 'subprogram-not-followed'
    this.depth += 1
    const within = this.repeat(body, times, take)
    this.depth -= 1
    return within ? undefined : 'subprogram-too-long'
  }

  /** Of the bodies that are known by now, whether one was called for. */
  calledFor(bodies: Subprograms): boolean {
    return [...this.called].some((name) => bodies.has(name))
  }

  /** False where it would go on for too long; a repetition counts as a line, since a body may be empty. */
  private repeat(
    body: readonly NumberedLine[],
    times: number,
    take: (line: NumberedLine) => LineOutcome,
  ): boolean {
    for (let time = 0; time < times; time += 1) {
      this.lines += 1
      for (const line of body) {
        this.lines += 1
        if (this.lines > MOST_LINES_CALLED) return false
        const outcome = take(line)
        if (outcome === 'ended') return true
        if (outcome === 'returned') break
      }
      if (this.lines > MOST_LINES_CALLED) return false
    }
    return true
  }
}

const NAME = /^\s*\/?\s*O\s*(\d+)/i
const END = /^[^(;]*M\s*0*99(?!\d)/i
