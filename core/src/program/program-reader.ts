import { NANOMETRES_PER } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import { arcMove, PLANES } from './arc-move'
import { readBlock, wordText, type Block, type ProgramWord } from './block'
import { CannedCycle } from './canned-cycle'
import { speaksOfOverride, speaksOfSpeed } from './comment-hints'
import { drillHoles, MOST_HOLES } from './holes'
import { KeptOperations } from './kept-operations'
import { LeftActive } from './left-active'
import { LONGEST_LINE } from './line-splitter'
import { ModalState } from './modal-state'
import { OperationLog } from './operation-log'
import { BlockNumbers, readPlainMove } from './plain-move'
import { ReaderNotes } from './reader-notes'
import { SourceLine, type Decode } from './source-line'
import { TipPosition, Z_AXIS } from './tip-position'
import { ToolNames } from './tool-names'
import { SubprogramCalls, SubprogramShelf, type Subprograms } from './subprograms'
import type {
  ProgramJudgementCode,
  ProgramPlace,
  ProgramProblemCode,
  ProgramReading,
} from './program-types'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/**
 * Reads a program a line at a time: RS-274/NGC (NISTIR 6556) and ISO 6983 as far as setting up needs it.
 * It keeps what a few numbers for each tool take, not the program, so its memory does not grow with the
 * file. Nothing is fatal: what cannot be read or followed is told with its place, and marks the operation
 * whose extents it may leave too small.
 */
export class ProgramReader {
  private lines = 0
  private readonly header: string[] = []
  private readonly names = new ToolNames()
  private readonly notes = new ReaderNotes()
  private readonly shelf = new SubprogramShelf()
  private readonly calls: SubprogramCalls
  /** The main program has ended: what follows are subprograms. */
  private over = false
  private at = 0
  private spokenSpeed: ProgramPlace | undefined
  private readonly kept = new KeptOperations()
  private readonly writesOffsets: ProgramPlace[] = []
  private log: OperationLog | undefined
  private readonly source: SourceLine
  private known: ProgramPlace | undefined

  private readonly modal = new ModalState()
  private readonly cycle = new CannedCycle()
  private readonly tip = new TipPosition()
  private readonly left = new LeftActive()
  private prepared: number | undefined
  private tool: number | undefined
  private changed = false
  private hasMoved = false
  /** Numbers of the block that is executed, by letter; NaN where it is not written. */
  private readonly numbers = new BlockNumbers()
  private parsed: readonly ProgramWord[] | undefined

  /** `subprograms`: the bodies that a first pass has found (`subprogramsToFollow`). */
  constructor(decode: Decode, subprograms: Subprograms = new Map()) {
    this.source = new SourceLine(decode)
    this.calls = new SubprogramCalls(subprograms)
  }

  /** Takes the next line in, without its line break: where it stands in some bytes. */
  line(bytes: Uint8Array, from: number, to: number): void {
    this.source.set(bytes, from, to)
    this.next()
  }

  /** The same for a line that is at hand as text. */
  textLine(text: string): void {
    if (text.length > LONGEST_LINE) return this.tooLongLine()
    this.source.setText(text)
    this.next()
  }

  /** A line that is too long to be one of a program: it is told, and nothing of it is read. */
  tooLongLine(): void {
    this.lines += 1
    this.at = this.lines
    this.source.setText('')
    this.known = undefined
    this.parsed = []
    this.notes.problem({ code: 'line-too-long', line: this.at, column: 1, excerpt: '' })
    this.tip.forgetAll()
    this.current().doubt()
  }

  private next(): void {
    this.lines += 1
    if (this.over) this.shelf.take(this.lines, this.source.text)
    else this.take(this.lines)
  }

  /**
   * Bodies that were called before they were met: where there are any, the program is to be read once
   * more by a reader that has them.
   */
  get subprogramsToFollow(): Subprograms | undefined {
    return this.calls.calledFor(this.shelf.bodies) ? this.shelf.bodies : undefined
  }

  private take(line: number): void {
    const { source } = this
    this.at = line
    this.known = undefined
    this.parsed = undefined
    // Most lines of a long program only go on.
    if (readPlainMove(source.bytes, source.from, source.to, this.numbers)) return this.goOn()
    const block = readBlock(source.text)
    this.parsed = block.words
    for (const { code, column, text: excerpt } of block.faults) {
      this.notes.problem({ code, line, column, excerpt: excerpt.slice(0, LONGEST_EXCERPT) })
      if (code !== 'comment-open') this.current().doubt()
    }
    if (block.comments.length > 0) this.names.begin()
    for (const comment of block.comments) this.hear(comment, block.words)
    if (block.words.length > 0) this.execute(block)
    if (!this.hasMoved && this.tool === undefined && this.header.length < LONGEST_HEADER)
      this.header.push(...block.comments.filter((comment) => comment !== ''))
  }

  private hear(comment: string, words: readonly ProgramWord[]): void {
    if (comment === '') return
    // Between the change and the first move it still speaks of the tool.
    if (this.names.hear(comment, words, this.tool !== undefined) === 'now') this.log?.call(comment)
    if (speaksOfSpeed(comment)) this.spokenSpeed = this.place
    if (speaksOfOverride(comment)) this.judge('feeds-for-another-override')
  }

  /** Where the reader is; made only when it is told, since most lines have nothing to tell. */
  get place(): ProgramPlace {
    this.known ??= { line: this.at, excerpt: this.source.text.trim().slice(0, LONGEST_EXCERPT) }
    return this.known
  }

  /** What was read, once every line is in. */
  finish(): ProgramReading {
    this.judgeEnd()
    this.closeOperation()
    if (this.modal.firstUnit === undefined && this.hasMoved) this.judge('no-unit')
    return {
      lines: this.lines,
      header: this.header,
      unit: this.modal.firstUnit,
      operations: this.kept.all,
      problems: this.notes.problems,
      judgements: this.notes.judgements,
      leftOut: this.notes.leftOut + this.kept.leftOut,
      writesOffsets: this.writesOffsets,
    }
  }

  /** A line that is only a move, its feed and its speed. */
  private goOn(): void {
    this.cancelsLength = false
    this.takeFeedAndSpeed()
    const G = this.numbers.get(LETTER_G)
    if (G === 0 || G === 1 || G === 2 || G === 3) this.modal.motion = G
    this.move()
  }

  private takeFeedAndSpeed(): void {
    const F = this.number('F')
    if (F !== undefined) this.modal.feed = F
    const S = this.number('S')
    if (S === undefined) return
    this.modal.speed = S
    this.current().useSpeed(S)
  }

  /** In the order in which a control executes the words of a block (NISTIR 6556 table 8, from memory). */
  private execute({ words }: Block): void {
    this.takeNumbers(words)
    this.takeFeedAndSpeed()
    const value = (letter: string) => this.number(letter)
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
    else if (has(52) || has(92)) this.shift(has(92) ? 92 : 52)
    else if (has(92.1) || has(92.2)) this.clearShift()
    else if (has(28) || has(30)) this.home()
    else if (has(53)) this.machineMove()
    else if (has(4)) return
    else if (isFollowed) this.move()
    // The numbers of a code that nobody follows are its own, and may lead anywhere.
    else if (this.namesAxes) this.tip.forgetAll()

    if (M.includes(98) || M.includes(97)) this.call(value('P'), value('L') ?? 1)
    if (M.includes(2) || M.includes(30)) this.judgeEnd()
    if (M.includes(2) || M.includes(30) || M.includes(99)) this.over = true
  }

  /** Runs a subprogram of the same file as often as it is repeated; what it leaves set stays set. */
  private call(name: number | undefined, times: number): void {
    const { at, known } = this
    const caller = this.source.text
    const fault = this.calls.run(name, times, ({ line, text }) => {
      this.source.setText(text)
      this.take(line)
      if (!this.over) return 'goes-on'
      this.over = this.ended
      return this.ended ? 'ended' : 'returned'
    })
    this.at = at
    this.source.setText(caller)
    this.known = known
    this.parsed = undefined
    if (fault !== undefined) this.fault(fault, 'M')
  }

  /** The first number of each letter. */
  private takeNumbers(words: readonly ProgramWord[]): void {
    this.numbers.clear()
    for (const { letter, value } of words) this.numbers.take(letter.charCodeAt(0) - A, value)
  }

  /** The words of the line; of a plain move they are made only when something is to be told of it. */
  private get words(): readonly ProgramWord[] {
    this.parsed ??= readBlock(this.source.text).words
    return this.parsed
  }

  private number(letter: string): number | undefined {
    return this.has(letter) ? this.numbers.get(letter.charCodeAt(0) - A) : undefined
  }

  private has(letter: string): boolean {
    return this.numbers.has(letter.charCodeAt(0) - A)
  }

  /** False where a code is not followed. */
  private setModal(code: number): boolean {
    this.left.take(code)
    if (code === 80) this.endCycle()
    else if (code === 73 || (code >= 81 && code <= 89)) this.beginCycle(code)
    else
      switch (this.modal.take(code, this.number('P'))) {
        case 'unit-switched':
          this.judge('units-switched')
          break
        case 'another-row':
          // Another row has another zero: where the tool is in it is not known before the next move.
          this.tip.forgetAll()
          break
        case 'unknown':
          this.fault('code-unknown', 'G', code)
          return false
        case undefined:
      }
    return true
  }

  /** D stays from block to block: it may stand before the compensation that uses it. */
  private compensate(written: number | undefined): void {
    this.current().compensate()
    const D = written ?? this.modal.diameter
    if (D === undefined) return
    this.modal.diameter = D
    this.current().useDiameter(D, this.place)
    if (this.tool !== undefined && D !== this.tool && D !== 0)
      this.judge('diameter-differs-from-tool', { register: D })
  }

  private get namesAxes(): boolean {
    return this.has('X') || this.has('Y') || this.has('Z')
  }

  /** The block cancels the length. */
  private cancelsLength = false

  private setLength(codes: readonly number[], H: number | undefined): void {
    if (codes.includes(43) || codes.includes(44)) {
      this.left.length = true
      this.tip.forget(Z_AXIS)
      if (H !== undefined) {
        this.current().useLength(H, this.place)
        if (this.tool !== undefined && H !== this.tool && H !== 0)
          this.judge('length-differs-from-tool', { register: H })
      }
    } else if (codes.includes(49)) {
      // Without the length the same tip is at another Z.
      if (this.left.length) this.tip.forget(Z_AXIS)
      this.left.length = false
    }
  }

  private changeTool(): void {
    for (const code of this.left.beforeChange(this.tool !== undefined)) this.judge(code)
    this.closeOperation()
    this.tool = this.prepared
    this.changed = true
    this.left.length = false
    // A change may take the machine anywhere.
    this.tip.forgetAll()
    this.current()
    this.names.forget()
  }

  private judgeEnd(): void {
    if (this.ended) return
    this.ended = true
    for (const code of this.left.atEnd(this.tool !== undefined, this.hasMoved)) this.judge(code)
  }
  private ended = false

  /** What it writes is not followed into the registers: they are no longer what was keyed and proven. */
  private writeOffset(): void {
    if (this.writesOffsets.length < MOST_WRITTEN) this.writesOffsets.push(this.place)
    this.judge('writes-offset')
  }

  private shift(code: 52 | 92): void {
    this.left.shift = false
    for (const [axis, letter] of AXES.entries()) {
      const written = this.lengthOf(letter)
      if (written === undefined) continue
      if (code === 52) this.tip.shift(axis, written)
      else if (!this.tip.rename(axis, written)) this.current().doubt()
      if (code === 92 || written !== 0) this.left.shift = true
    }
  }

  private clearShift(): void {
    this.tip.clearShifts()
    this.left.shift = false
  }

  /** Through a point, then the axes that are written go home, or all of them: nothing is known of those afterwards. */
  private home(): void {
    if (!this.namesAxes) return this.tip.forgetAll()
    this.aim()
    const goesDown = this.has('Z') && this.modal.absolute && this.tip.goesDown
    if (goesDown) this.judge('home-goes-down')
    else if (this.left.length && this.has('X') && this.has('Z')) this.judge('cancel-moves-all-axes')
    this.follow(true)
    this.machineMove()
  }

  private machineMove(): void {
    for (const [axis, letter] of AXES.entries()) if (this.has(letter)) this.tip.forget(axis)
  }

  private move(): void {
    const moves = this.namesAxes
    if (this.motionIs('cycle')) {
      if (moves || this.has('R')) this.drill()
      return
    }
    const isArc = this.motionIs(2) || this.motionIs(3)
    if (!moves && !(isArc && this.hasCentre)) return
    if (this.modal.motion === undefined) return
    this.judgeMove()
    this.aim()
    if (isArc) this.arc()
    else this.follow(this.motionIs(0))
  }

  private get hasCentre(): boolean {
    return this.has('I') || this.has('J') || this.has('K') || this.has('R')
  }

  private judgeMove(): void {
    if (this.has('Z') && this.changed && !this.left.length) {
      this.judge('moves-before-length')
      this.changed = false
    }
    if (this.left.length) this.changed = false
    const cuts = !this.motionIs(0)
    if (cuts && this.prepared !== undefined && this.tool === undefined && !this.told) {
      this.judge('tool-not-changed', { tool: this.prepared })
      this.told = true
    }
    if (this.cancelsLength && this.has('Z'))
      if (this.has('X') || this.has('Y')) this.judge('cancel-moves-all-axes')
  }
  private told = false

  private arc(): void {
    const clockwise = this.motionIs(2)
    const { tip } = this
    const path = arcMove(tip.position, tip.aimedAt, PLANES[this.modal.plane], clockwise, (letter) =>
      this.lengthOf(letter),
    )
    if (path.fault !== undefined) this.fault(path.fault, 'G', clockwise ? 2 : 3)
    // An arc that cannot be drawn still leads somewhere.
    if (path.extents === undefined) return this.follow(false)
    const log = this.moving()
    for (const [axis, letter] of AXES.entries()) {
      const range = path.extents[letter]
      if (range !== undefined) log.reach(axis, range[0], range[1], this)
    }
    this.countFeed(log, path.lengthNm)
    tip.arrive()
  }

  private beginCycle(code: number): void {
    this.cycle.code = code
    // Cycles that follow each other go back to where the first one began.
    if (this.modal.motion !== 'cycle') {
      const start = this.tip.placeOn(this.depthAxis)
      this.cycle.start = Number.isNaN(start) ? undefined : start
    }
    this.modal.motion = 'cycle'
  }

  private endCycle(): void {
    if (this.modal.motion === 'cycle') this.modal.motion = undefined
    this.cycle.end()
  }

  /** Holes go along the axis that the plane leaves: Z in XY, Y in ZX, X in YZ. */
  private get depthAxis(): number {
    return AXES.indexOf(PLANES[this.modal.plane].climb)
  }

  /** Holes: over each, to R, down, up again. L repeats them, each as far from the last as the block says. */
  private drill(): void {
    const { depthAxis } = this
    const heights = this.cycle.heightsOf(
      {
        R: this.lengthOf('R'),
        depth: this.lengthOf(AXES[depthAxis] ?? 'Z'),
        absolute: this.modal.absolute,
        shift: this.tip.shiftOf(depthAxis),
      },
      this.modal.returnsToStart,
    )
    if (heights === undefined) return this.fault('cycle-incomplete', 'G', this.cycle.code)
    this.judgeMove()
    const times = this.number('L') ?? 1
    if (times > MOST_HOLES) this.fault('repeats-too-many', 'L')
    drillHoles(heights, times, {
      depth: () => this.tip.placeOn(depthAxis),
      along: (to, rapid) => {
        this.tip.aimAlong(depthAxis, to)
        this.follow(rapid)
      },
      across: () => {
        this.aim()
        this.tip.keep(depthAxis)
        this.follow(true)
      },
    })
  }

  /** Where the written axes lead; an axis that is counted from an unknown place stays unknown. */
  private aim(): void {
    const { tip } = this
    let known = true
    for (let axis = 0; axis < AXES.length; axis += 1) {
      const written = this.numbers.get(LETTER_X + axis)
      known = tip.aim(axis, this.modal.lengthOf(written), this.modal.absolute) && known
    }
    if (!known) this.current().doubt()
  }

  /** Straight to where the tip is aimed at. */
  private follow(rapid: boolean): void {
    if (!this.tip.moves) return
    const log = this.moving()
    const sidewaysBelowZero = rapid && this.tip.goesSidewaysBelowZero
    // What is cut where nobody knows has no extents there.
    if (!rapid && !this.tip.isOverKnownPlace) log.doubt()
    const length = this.tip.goStraight(log, this)
    if (rapid) log.countRapid(length, sidewaysBelowZero, this)
    else this.countFeed(log, length)
  }

  private countFeed(log: OperationLog, lengthNm: number): void {
    const { modal } = this
    log.count(lengthNm, modal.minutesFor(lengthNm / NANOMETRES_PER.mm), modal.feedAsWritten)
  }

  /** The log of the tool, of a move in the row that is active. */
  private moving(): OperationLog {
    this.hasMoved = true
    const log = this.current()
    if (this.spokenSpeed !== undefined) {
      log.hearOfSpeed(this.spokenSpeed)
      this.spokenSpeed = undefined
    }
    if (this.modal.isTurned) log.doubt()
    this.names.forget()
    log.moveIn(this.modal.row, this.left.length, this)
    return log
  }

  private motionIs(motion: ModalState['motion']): boolean {
    return this.modal.motion === motion
  }

  private lengthOf(letter: string): number | undefined {
    const written = this.number(letter)
    return written === undefined ? undefined : this.modal.lengthOf(written)
  }

  private current(): OperationLog {
    this.log ??= new OperationLog(
      this.tool,
      this.place,
      this.tool === undefined ? undefined : this.names.name,
    )
    return this.log
  }

  private closeOperation(): void {
    if (this.log !== undefined && !this.log.isEmpty && this.mayKeepOperation()) {
      const operation = this.log.finish()
      const { tool, rapidBelowZero, spokenSpeed } = operation
      if (rapidBelowZero) this.notes.judge('rapid-below-zero', rapidBelowZero, { tool })
      if (spokenSpeed) this.notes.judge('speed-only-in-comment', spokenSpeed, { tool })
      this.kept.all.push(operation)
    }
    this.log = undefined
  }

  /** False where there are too many already: that is told once. */
  private mayKeepOperation(): boolean {
    if (!this.kept.isFull) return true
    if (this.kept.leftOut === 0) {
      const { excerpt } = this.place
      this.notes.problem({ code: 'operations-too-many', line: this.at, column: 1, excerpt })
    }
    this.kept.leftOut += 1
    return false
  }

  private fault(code: ProgramProblemCode, letter: string, value?: number): void {
    const word = this.words.find(
      (one) => one.letter === letter && (value === undefined || one.value === value),
    )
    this.notes.problem({
      code,
      line: this.at,
      column: word?.column ?? 1,
      excerpt: word ? wordText(this.source.text, word) : this.place.excerpt,
    })
    this.current().doubt()
  }

  private judge(
    code: ProgramJudgementCode,
    about: { readonly tool?: number; readonly register?: number } = {},
  ): void {
    this.notes.judge(code, this.place, { tool: this.tool, ...about })
  }
}

const LONGEST_EXCERPT = 120
const LONGEST_HEADER = 60
const MOST_WRITTEN = 1000
const A = 'A'.charCodeAt(0)
const LETTER_G = 6
/** X, Y and Z follow each other in the alphabet. */
const LETTER_X = 23
