import type { Block } from './text/block'
import { CurrentLine, LONGEST_EXCERPT } from './current-line'
import { LeftActive } from './motion/left-active'
import { LONGEST_LINE } from './text/line-splitter'
import { ModalState } from './motion/modal-state'
import { ReaderNotes } from './judgement/reader-notes'
import type { Decode } from './text/source-line'
import { SubprogramCalls, SubprogramShelf, type Subprograms } from './subprograms'
import { ToolOperations } from './tool-operations'
import { ToolPath } from './motion/tool-path'
import type { ProgramPlace, ProgramReading } from './program-reading'

/**
 * Reads a program a line at a time: RS-274/NGC (NISTIR 6556) and ISO 6983 as far as setting up needs it.
 * It keeps what a few numbers for each tool take, not the program, so its memory does not grow with the
 * file. Nothing is fatal: what cannot be read or followed is told with its place, and marks the operation
 * whose extents it may leave too small.
 */
export class ProgramReader {
  private lines = 0
  private readonly header: string[] = []
  private readonly notes = new ReaderNotes()
  private readonly shelf = new SubprogramShelf()
  private readonly calls: SubprogramCalls
  /** The main program has ended: what follows are subprograms. */
  private over = false
  private ended = false
  private readonly writesOffsets: ProgramPlace[] = []

  private readonly current: CurrentLine
  private readonly modal = new ModalState()
  private readonly left = new LeftActive()
  private readonly operations: ToolOperations
  private readonly path: ToolPath
  /** The tool that T has called, and M6 brings in. */
  private prepared: number | undefined
  /** A tool came in, and its length has not been active yet. */
  private awaitsLength = false
  /** The block cancels the length. */
  private cancelsLength = false
  private neverChangedTold = false

  /** `subprograms`: the bodies that a first pass has found (`subprogramsToFollow`). */
  constructor(decode: Decode, subprograms: Subprograms = new Map()) {
    this.current = new CurrentLine(decode)
    this.calls = new SubprogramCalls(subprograms)
    this.operations = new ToolOperations(this.current, this.notes)
    this.path = new ToolPath(this.current, this.modal, this.left, this.operations)
  }

  /** Takes the next line in, without its line break: where it stands in some bytes. */
  line(bytes: Uint8Array, from: number, to: number): void {
    this.current.set(bytes, from, to)
    this.next()
  }

  /** The same for a line that is at hand as text. */
  textLine(text: string): void {
    if (text.length > LONGEST_LINE) return this.tooLongLine()
    this.current.setText(text)
    this.next()
  }

  /** A line that is too long to be one of a program: it is told, and nothing of it is read. */
  tooLongLine(): void {
    this.lines += 1
    this.current.setText('')
    this.current.enter(this.lines)
    this.notes.problem({ code: 'line-too-long', ...this.current.place, column: 1 })
    this.path.forgetAll()
    this.operations.current.doubt()
  }

  /**
   * Bodies that were called before they were met: where there are any, the program is to be read once
   * more by a reader that has them.
   */
  get subprogramsToFollow(): Subprograms | undefined {
    return this.calls.calledFor(this.shelf.bodies) ? this.shelf.bodies : undefined
  }

  /** What was read, once every line is in. */
  finish(): ProgramReading {
    this.judgeEnd()
    const { operations, notes, modal } = this
    operations.close()
    if (modal.firstUnit === undefined && operations.hasMoved) operations.judge('no-unit')
    return {
      lines: this.lines,
      header: this.header,
      unit: modal.firstUnit,
      operations: operations.finished,
      problems: notes.problems,
      judgements: notes.judgements,
      leftOut: notes.leftOut + operations.leftOut,
      writesOffsets: this.writesOffsets,
    }
  }

  private next(): void {
    this.lines += 1
    if (this.over) this.shelf.take(this.lines, this.current.text)
    else this.take(this.lines)
  }

  private take(line: number): void {
    const { current, operations } = this
    current.enter(line)
    // Most lines of a long program only go on.
    if (current.isPlainMove()) return this.goOn()
    const block = current.readBlock()
    for (const { code, column, text: excerpt } of block.faults) {
      this.notes.problem({ code, line, column, excerpt: excerpt.slice(0, LONGEST_EXCERPT) })
      if (code !== 'comment-open') operations.current.doubt()
    }
    operations.hear(block.comments, block.words)
    if (block.words.length > 0) this.execute(block)
    const begins = !operations.hasMoved && operations.tool === undefined
    if (begins && this.header.length < LONGEST_HEADER)
      this.header.push(...block.comments.filter((comment) => comment !== ''))
  }

  /** A line that is only a move, its feed and its speed. */
  private goOn(): void {
    this.cancelsLength = false
    this.takeFeedAndSpeed()
    const G = this.current.numbers.get(LETTER_G)
    if (G === 0 || G === 1 || G === 2 || G === 3) this.modal.motion = G
    this.move()
  }

  private takeFeedAndSpeed(): void {
    const F = this.current.valueOf('F')
    if (F !== undefined) this.modal.feed = F
    const S = this.current.valueOf('S')
    if (S === undefined) return
    this.modal.speed = S
    this.operations.current.useSpeed(S)
  }

  /** In the order in which a control executes the words of a block (NISTIR 6556 table 8, from memory). */
  private execute({ words }: Block): void {
    this.takeFeedAndSpeed()
    const value = (letter: string) => this.current.valueOf(letter)
    const codes = words.filter(({ letter }) => letter === 'G').map((word) => word.value)
    const has = (code: number) => codes.includes(code)

    const T = value('T')
    if (T !== undefined) this.prepared = T
    const M = words.filter(({ letter }) => letter === 'M').map((word) => word.value)
    if (M.includes(6)) this.changeTool()
    let isFollowed = true
    for (const code of codes) isFollowed = this.setModal(code) && isFollowed
    if (has(41) || has(42)) this.compensate(value('D'))
    else if (value('D') !== undefined) this.modal.diameter = value('D')
    this.setLength(codes, value('H'))
    this.cancelsLength = has(49)

    if (has(10)) this.writeOffset()
    else if (has(52) || has(92)) this.path.shift(has(92) ? 92 : 52)
    else if (has(92.1) || has(92.2)) this.path.clearShift()
    else if (has(28) || has(30)) this.path.home()
    else if (has(53)) this.path.toMachinePlace()
    else if (has(4)) return
    else if (isFollowed) this.move()
    // The numbers of a code that nobody follows are its own, and may lead anywhere.
    else if (this.current.namesAxes) this.path.forgetAll()

    if (M.includes(98) || M.includes(97)) this.call(value('P'), value('L') ?? 1)
    if (M.includes(2) || M.includes(30)) this.judgeEnd()
    if (M.includes(2) || M.includes(30) || M.includes(99)) this.over = true
  }

  /** Runs a subprogram of the same file as often as it is repeated; what it leaves set stays set. */
  private call(name: number | undefined, times: number): void {
    const { current } = this
    const { number: caller, text } = current
    const fault = this.calls.run(name, times, (line) => {
      current.setText(line.text)
      this.take(line.line)
      if (!this.over) return 'goes-on'
      this.over = this.ended
      return this.ended ? 'ended' : 'returned'
    })
    current.setText(text)
    current.enter(caller)
    if (fault !== undefined) this.operations.fault(fault, 'M')
  }

  /** False where a code is not followed. */
  private setModal(code: number): boolean {
    this.left.take(code)
    if (code === 80) this.path.endCycle()
    else if (code === 73 || (code >= 81 && code <= 89)) this.path.beginCycle(code)
    else
      switch (this.modal.take(code, this.current.valueOf('P'))) {
        case 'unit-switched':
          this.operations.judge('units-switched')
          break
        case 'another-row':
          // Another row has another zero: where the tool is in it is not known before the next move.
          this.path.forgetAll()
          break
        case 'unknown':
          this.operations.fault('code-unknown', 'G', code)
          return false
        case undefined:
      }
    return true
  }

  /** D stays from block to block: it may stand before the compensation that uses it. */
  private compensate(written: number | undefined): void {
    const { current, tool } = this.operations
    current.compensate()
    const D = written ?? this.modal.diameter
    if (D === undefined) return
    this.modal.diameter = D
    current.useDiameter(D, this.current.place)
    if (tool !== undefined && D !== tool && D !== 0)
      this.operations.judge('diameter-differs-from-tool', { register: D })
  }

  private setLength(codes: readonly number[], H: number | undefined): void {
    if (codes.includes(43) || codes.includes(44)) {
      this.left.length = true
      this.path.forgetZ()
      if (H === undefined) return
      const { current, tool } = this.operations
      current.useLength(H, this.current.place)
      if (tool !== undefined && H !== tool && H !== 0)
        this.operations.judge('length-differs-from-tool', { register: H })
    } else if (codes.includes(49)) {
      if (this.left.length) this.path.forgetZ()
      this.left.length = false
    }
  }

  private changeTool(): void {
    const { operations } = this
    for (const code of this.left.beforeChange(operations.tool !== undefined)) operations.judge(code)
    operations.change(this.prepared)
    this.awaitsLength = true
    this.left.length = false
    // A change may take the machine anywhere.
    this.path.forgetAll()
  }

  /** What it writes is not followed into the registers: they are no longer what was keyed and proven. */
  private writeOffset(): void {
    if (this.writesOffsets.length < MOST_WRITTEN) this.writesOffsets.push(this.current.place)
    this.operations.judge('writes-offset')
  }

  private move(): void {
    const { current, modal, path } = this
    if (modal.motion === 'cycle') {
      const heights = current.namesAxes || current.has('R') ? path.holeHeights() : undefined
      if (heights === undefined) return
      this.judgeMove()
      return path.drill(heights)
    }
    const isArc = modal.motion === 2 || modal.motion === 3
    if (modal.motion === undefined) return
    if (!current.namesAxes && !(isArc && current.namesCentre)) return
    this.judgeMove()
    if (isArc) path.arc()
    else path.straight()
  }

  private judgeMove(): void {
    const { current, left, operations, prepared } = this
    if (current.has('Z') && this.awaitsLength && !left.length) {
      operations.judge('moves-before-length')
      this.awaitsLength = false
    }
    if (left.length) this.awaitsLength = false
    const cuts = this.modal.motion !== 0
    if (cuts && prepared !== undefined && operations.tool === undefined && !this.neverChangedTold) {
      operations.judge('tool-not-changed', { tool: prepared })
      this.neverChangedTold = true
    }
    if (this.cancelsLength && current.has('Z') && (current.has('X') || current.has('Y')))
      operations.judge('cancel-moves-all-axes')
  }

  private judgeEnd(): void {
    if (this.ended) return
    this.ended = true
    const { tool, hasMoved } = this.operations
    for (const code of this.left.atEnd(tool !== undefined, hasMoved)) this.operations.judge(code)
  }
}

const LONGEST_HEADER = 60
const MOST_WRITTEN = 1000
const LETTER_G = 6
