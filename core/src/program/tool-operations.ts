import type { ProgramWord } from './text/block'
import { speaksOfOverride, speaksOfSpeed } from './text/comment-hints'
import type { CurrentLine } from './current-line'
import { OperationLog } from './operation-log'
import type {
  Operation,
  ProgramJudgementCode,
  ProgramPlace,
  ProgramProblemCode,
} from './program-reading'
import type { ReaderNotes } from './judgement/reader-notes'
import { ToolNames } from './text/tool-names'

/** Tool changes that are kept; more than this no magazine sees in one program. */
const MOST_OPERATIONS = 2000

/**
 * The operation of the tool that is in the spindle, the finished ones before it, and what is told of it at
 * the line that is executed.
 */
export class ToolOperations {
  readonly finished: Operation[] = []
  /** How many were too many: a file of tool changes alone must not fill the memory. */
  leftOut = 0
  /** The tool that is in the spindle, as far as the program says. */
  tool: number | undefined
  hasMoved = false
  private log: OperationLog | undefined
  private readonly names = new ToolNames()
  private spokenSpeed: ProgramPlace | undefined

  constructor(
    private readonly line: CurrentLine,
    private readonly notes: ReaderNotes,
  ) {}

  /** What the tool does is gathered here; the first that is gathered says where its operation begins. */
  get current(): OperationLog {
    this.log ??= this.begin()
    return this.log
  }

  /** The log for a move: what was said before it was said of this tool. */
  get moving(): OperationLog {
    this.hasMoved = true
    const log = this.current
    if (this.spokenSpeed !== undefined) {
      log.hearOfSpeed(this.spokenSpeed)
      this.spokenSpeed = undefined
    }
    this.names.forget()
    return log
  }

  /** Another tool comes in: the operation of the last one is over. */
  change(tool: number | undefined): void {
    this.close()
    this.tool = tool
    this.log = this.begin()
    this.names.forget()
  }

  hear(comments: readonly string[], words: readonly ProgramWord[]): void {
    if (comments.length > 0) this.names.begin()
    for (const comment of comments) {
      if (comment === '') continue
      // Between the change and the first move it still speaks of the tool.
      const speaksOf = this.names.hear(comment, words, this.tool !== undefined)
      if (speaksOf === 'now') this.log?.call(comment)
      if (speaksOfSpeed(comment)) this.spokenSpeed = this.line.place
      if (speaksOfOverride(comment)) this.judge('feeds-for-another-override')
    }
  }

  close(): void {
    if (this.log !== undefined && !this.log.isEmpty && this.mayKeepOneMore()) {
      const operation = this.log.finish()
      const { tool, rapidBelowZero, spokenSpeed } = operation
      if (rapidBelowZero) this.notes.judge('rapid-below-zero', rapidBelowZero, { tool })
      if (spokenSpeed) this.notes.judge('speed-only-in-comment', spokenSpeed, { tool })
      this.finished.push(operation)
    }
    this.log = undefined
  }

  /** Something of the line cannot be followed: its place is told, and its extents may be too small. */
  fault(code: ProgramProblemCode, letter: string, value?: number): void {
    this.notes.problem({ code, ...this.line.placeOf(letter, value) })
    this.current.doubt()
  }

  judge(
    code: ProgramJudgementCode,
    about: { readonly tool?: number; readonly register?: number } = {},
  ): void {
    this.notes.judge(code, this.line.place, { tool: this.tool, ...about })
  }

  private begin(): OperationLog {
    const name = this.tool === undefined ? undefined : this.names.name
    return new OperationLog(this.tool, this.line.place, name)
  }

  /** False where there are too many already: the first of those is told. */
  private mayKeepOneMore(): boolean {
    if (this.finished.length < MOST_OPERATIONS) return true
    if (this.leftOut === 0)
      this.notes.problem({ code: 'operations-too-many', ...this.line.place, column: 1 })
    this.leftOut += 1
    return false
  }
}
