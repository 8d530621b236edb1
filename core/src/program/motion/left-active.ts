import type { ProgramJudgementCode } from '../program-reading'

/** What a program has switched on and not off again, and whether it began by switching everything off. */
export class LeftActive {
  length = false
  shift = false
  private compensation = false
  private compensationTold = false
  /** A dialect that needs no G49 between tools would be told of it at every one. */
  private lengthTold = false
  private readonly cancelled = new Set<number>()

  /** A code of a modal group was executed. */
  take(code: number): void {
    if (code === 40 || code === 49 || code === 80) this.cancelled.add(code)
    if (code === 40) this.compensation = false
    else if (code === 41 || code === 42) {
      this.compensation = true
      this.compensationTold = false
    }
  }

  /** What should have been cancelled before a tool change; each compensation is told once, and the length once a program. */
  beforeChange(hasTool: boolean): readonly ProgramJudgementCode[] {
    const compensation = this.compensation && !this.compensationTold
    const length = this.length && hasTool && !this.lengthTold
    if (compensation) this.compensationTold = true
    if (length) this.lengthTold = true
    return [
      ...(compensation ? (['compensation-not-cancelled'] as const) : []),
      ...(length ? (['length-not-cancelled'] as const) : []),
    ]
  }

  /** The same at the end of the program. */
  atEnd(hasTool: boolean, hasMoved: boolean): readonly ProgramJudgementCode[] {
    return [
      ...this.beforeChange(hasTool),
      ...(this.shift ? (['shift-active'] as const) : []),
      ...(hasMoved && this.cancelled.size < 3 ? (['no-safe-line'] as const) : []),
    ]
  }
}
