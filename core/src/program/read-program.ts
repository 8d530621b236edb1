import { NANOMETRES_PER, type LengthUnit } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import { arcMove, PLANES, type Position } from './arc-move'
import { readBlock, wordText, type Block, type ProgramWord } from './block'
import { speaksOfOverride, speaksOfSpeed } from './comment-hints'
import { OperationLog, type Path } from './operation-log'
import { ReaderNotes } from './reader-notes'
import { SubprogramShelf, type Subprograms } from './subprograms'
import type {
  Operation,
  ProgramJudgementCode,
  ProgramPlace,
  ProgramProblemCode,
  ProgramReading,
  ProgramRow,
} from './program-types'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']
/** Codes that say nothing about where the tool goes, and need no following. */
const HARMLESS_G = new Set([4, 9, 15, 17.1, 40.1, 50, 61, 61.1, 62, 64, 69, 93, 94, 95, 96, 97])

interface Cycle {
  readonly code: number
  Z?: number
  R?: number
}

/**
 * Reads a program a line at a time: RS-274/NGC (NISTIR 6556) and ISO 6983 as far as setting up needs it.
 * It keeps what a few numbers for each tool take, not the program, so its memory does not grow with the
 * file. Nothing is fatal: what cannot be read or followed is told with its place, and marks the operation
 * whose extents it may leave too small.
 */
export class ProgramReader {
  private lines = 0
  private readonly header: string[] = []
  private lastComment: string | undefined
  private readonly notes = new ReaderNotes()
  private readonly shelf = new SubprogramShelf()
  private called = new Set<number>()
  private depth = 0
  private linesCalled = 0
  /** The main program has ended: what follows are subprograms. */
  private over = false
  private at = 0
  private spokenSpeed: ProgramPlace | undefined
  private readonly operations: Operation[] = []
  private readonly writesOffsets: ProgramPlace[] = []
  private log: OperationLog | undefined
  private text = ''
  private known: ProgramPlace | undefined

  private unit: LengthUnit | undefined
  private firstUnit: LengthUnit | undefined
  private absolute = true
  private plane: 17 | 18 | 19 = 17
  private motion: 0 | 1 | 2 | 3 | 'cycle' | undefined
  private cycle: Cycle | undefined
  private returnsToStart = true
  private cycleStart: number | undefined
  private row: ProgramRow = 'G54'
  private feed: number | undefined
  private readonly position: Position = nowhere()
  private local: Position = nowhere()
  private hasShift = false
  private lengthActive = false
  private compensated = false
  private compensationTold = false
  private prepared: number | undefined
  private tool: number | undefined
  private changed = false
  private hasMoved = false
  private readonly safe = new Set<number>()
  /** Numbers of the block that is executed, by letter; NaN where it is not written. */
  private readonly numbers = new Float64Array(26)

  /** `subprograms`: the bodies that a first pass has found (`subprogramsToFollow`). */
  constructor(private readonly subprograms: Subprograms = new Map()) {}

  /** Takes the next line in, without its line break. */
  line(text: string): void {
    this.lines += 1
    if (this.over) this.shelf.take(this.lines, text)
    else this.take(this.lines, text)
  }

  /**
   * Bodies that were called before they were met: where there are any, the program is to be read once
   * more by a reader that has them.
   */
  get subprogramsToFollow(): Subprograms | undefined {
    return [...this.called].some((name) => this.shelf.bodies.has(name))
      ? this.shelf.bodies
      : undefined
  }

  private take(line: number, text: string): void {
    this.at = line
    this.text = text
    this.known = undefined
    const block = readBlock(text)
    for (const { code, column, text: excerpt } of block.faults) {
      this.notes.problem({ code, line, column, excerpt: excerpt.slice(0, LONGEST_EXCERPT) })
      if (code !== 'comment-open') this.current().doubt()
    }
    for (const comment of block.comments) this.hear(comment)
    if (block.words.length > 0) this.execute(block)
    if (!this.hasMoved && this.tool === undefined && this.header.length < LONGEST_HEADER)
      this.header.push(...block.comments.filter((comment) => comment !== ''))
  }

  private hear(comment: string): void {
    if (comment === '') return
    this.lastComment = comment
    if (speaksOfSpeed(comment)) this.spokenSpeed = this.place
    if (speaksOfOverride(comment)) this.judge('feeds-for-another-override')
  }

  /** Where the reader is; made only when it is told, since most lines have nothing to tell. */
  private get place(): ProgramPlace {
    this.known ??= { line: this.at, excerpt: this.text.trim().slice(0, LONGEST_EXCERPT) }
    return this.known
  }
  private readonly placeNow = () => this.place

  /** What was read, once every line is in. */
  finish(): ProgramReading {
    this.judgeEnd()
    this.closeOperation()
    if (this.firstUnit === undefined && this.hasMoved) this.judge('no-unit')
    return {
      lines: this.lines,
      header: this.header,
      unit: this.firstUnit,
      operations: this.operations,
      problems: this.notes.problems,
      judgements: this.notes.judgements,
      leftOut: this.notes.leftOut,
      writesOffsets: this.writesOffsets,
    }
  }

  /** In the order in which a control executes the words of a block (NISTIR 6556 table 8, from memory). */
  private execute({ words }: Block): void {
    const plain = this.takeNumbers(words)
    const log = this.current()
    const F = this.number('F')
    if (F !== undefined) this.feed = F
    const S = this.number('S')
    if (S !== undefined) log.useSpeed(S)
    // Most lines of a long program only go on.
    if (plain) {
      const G = this.number('G')
      if (G === 0 || G === 1 || G === 2 || G === 3) {
        this.motion = G
        this.safe.add(G)
      }
      this.move(words)
      return
    }
    const value = (letter: string) => this.number(letter)
    const codes = words.filter(({ letter }) => letter === 'G').map((word) => word.value)
    const has = (code: number) => codes.includes(code)

    const T = value('T')
    if (T !== undefined) this.prepared = T
    const M = words.filter(({ letter }) => letter === 'M').map((word) => word.value)
    if (M.includes(6)) this.changeTool()
    for (const code of codes) this.setModal(code, words)
    const D = value('D')
    if (D !== undefined && (has(41) || has(42))) {
      this.current().useDiameter(D, this.place)
      if (this.tool !== undefined && D !== this.tool && D !== 0)
        this.judge('diameter-differs-from-tool', { register: D })
    }
    this.setLength(codes, value('H'))

    if (has(10)) this.writesOffsets.push(this.place)
    else if (has(52) || has(92)) this.shift(has(92) ? 92 : 52)
    else if (has(92.1) || has(92.2)) this.clearShift()
    else if (has(28) || has(30)) this.home()
    else if (has(53)) this.machineMove()
    else if (has(4)) return
    else this.move(words)

    if (M.includes(98) || M.includes(97)) this.call(words, value('P'), value('L') ?? 1)
    if (M.includes(2) || M.includes(30)) this.judgeEnd()
    if (M.includes(2) || M.includes(30) || M.includes(99)) this.over = true
  }

  /** Runs a subprogram of the same file as often as it is repeated; what it leaves set stays set. */
  private call(words: readonly ProgramWord[], name: number | undefined, times: number): void {
    if (name !== undefined) this.called.add(name)
    const body = name === undefined ? undefined : this.subprograms.get(name)
    if (body === undefined || this.depth >= DEEPEST_CALL) {
      this.fault('subprogram-not-followed', words, 'M')
      return
    }
    const { at, text, known } = this
    this.depth += 1
    for (let time = 0; time < times; time += 1) {
      for (const { line, text: called } of body) {
        this.linesCalled += 1
        if (this.linesCalled > MOST_LINES_CALLED) break
        this.take(line, called)
        if (this.over) break
      }
      this.over = this.ended
      if (this.over || this.linesCalled > MOST_LINES_CALLED) break
    }
    this.depth -= 1
    this.at = at
    this.text = text
    this.known = known
    if (this.linesCalled > MOST_LINES_CALLED) this.fault('subprogram-too-long', words, 'M')
  }

  /** The first number of each letter; true where nothing but a move, its feed and its speed is written. */
  private takeNumbers(words: readonly ProgramWord[]): boolean {
    this.numbers.fill(NaN)
    let plain = true
    for (const { letter, value } of words) {
      const index = letter.charCodeAt(0) - A
      if (Number.isNaN(this.numbers[index])) this.numbers[index] = value
      if (letter === 'G')
        plain = plain && (value === 0 || value === 1 || value === 2 || value === 3)
      else if (!PLAIN_LETTERS.includes(letter)) plain = false
    }
    return plain
  }

  private number(letter: string): number | undefined {
    const value = this.numbers[letter.charCodeAt(0) - A]
    return value === undefined || Number.isNaN(value) ? undefined : value
  }

  private has(letter: string): boolean {
    return this.number(letter) !== undefined
  }

  private setModal(code: number, words: readonly ProgramWord[]): void {
    this.safe.add(code)
    if (code === 17 || code === 18 || code === 19) this.plane = code
    else if (code === 20 || code === 21) this.setUnit(code === 20 ? 'in' : 'mm')
    else if (code === 90 || code === 91) this.absolute = code === 90
    else if (code === 98 || code === 99) this.returnsToStart = code === 98
    else if (code === 40) this.compensated = false
    else if (code === 41 || code === 42) {
      this.compensated = true
      this.compensationTold = false
    } else if (code === 0 || code === 1 || code === 2 || code === 3) this.motion = code
    else if (code === 80) this.endCycle()
    else if (code === 73 || (code >= 81 && code <= 89)) this.beginCycle(code)
    else if (code >= 54 && code <= 59) this.selectRow(`G${code}`)
    else if (code === 59.1 || code === 59.2 || code === 59.3) this.selectRow(`G${code}`)
    else if (code === 54.1) this.selectRow(`G54.1 P${this.number('P') ?? '?'}`)
    else if (!HARMLESS_G.has(code) && !FOLLOWED_ELSEWHERE.has(code))
      this.fault('code-unknown', words, 'G', code)
  }

  private setUnit(unit: LengthUnit): void {
    if (this.unit !== undefined && this.unit !== unit) this.judge('units-switched')
    this.unit = unit
    this.firstUnit ??= unit
  }

  /** Another row has another zero: where the tool is in it is not known before the next move. */
  private selectRow(row: ProgramRow): void {
    if (row === this.row) return
    this.row = row
    for (const axis of AXES) this.forget(axis)
  }

  private setLength(codes: readonly number[], H: number | undefined): void {
    if (codes.includes(43) || codes.includes(44)) {
      this.lengthActive = true
      this.forget('Z')
      if (H !== undefined) {
        this.current().useLength(H, this.place)
        if (this.tool !== undefined && H !== this.tool && H !== 0)
          this.judge('length-differs-from-tool', { register: H })
      }
    } else if (codes.includes(49)) {
      // Without the length the same tip is at another Z.
      if (this.lengthActive) this.forget('Z')
      this.lengthActive = false
    }
  }

  private changeTool(): void {
    this.judgeCancelled()
    this.closeOperation()
    this.tool = this.prepared
    this.changed = true
    this.lengthActive = false
    this.forget('Z')
    this.current()
  }

  private judgeCancelled(): void {
    if (this.compensated && !this.compensationTold) {
      this.judge('compensation-not-cancelled')
      this.compensationTold = true
    }
    if (this.lengthActive && this.tool !== undefined) this.judge('length-not-cancelled')
  }

  private judgeEnd(): void {
    if (this.ended) return
    this.ended = true
    this.judgeCancelled()
    if (this.hasShift) this.judge('shift-active')
    if (this.hasMoved && !(this.safe.has(40) && this.safe.has(49) && this.safe.has(80)))
      this.judge('no-safe-line')
  }
  private ended = false

  private shift(code: 52 | 92): void {
    this.hasShift = false
    for (const axis of AXES) {
      const written = this.lengthOf(axis)
      if (written === undefined) continue
      const at = this.position[axis]
      if (code === 52) this.local[axis] = written
      // The position is given another name: what was known stays known under the new one.
      else if (at === undefined) {
        this.current().doubt()
        this.local[axis] = 0
      } else this.local[axis] = at - written
      if (code === 92 || written !== 0) this.hasShift = true
    }
  }

  private clearShift(): void {
    this.local = nowhere()
    this.hasShift = false
  }

  /** Through a point, then to where the machine is at home: nothing is known afterwards. */
  private home(): void {
    const through = this.targetOf()
    this.follow(through, 0)
    if (this.lengthActive && this.has('X') && this.has('Z')) this.judge('cancel-moves-all-axes')
    for (const axis of AXES) if (this.has(axis)) this.forget(axis)
  }

  private machineMove(): void {
    for (const axis of AXES) if (this.has(axis)) this.forget(axis)
  }

  private move(words: readonly ProgramWord[]): void {
    const moves = AXES.some((axis) => this.has(axis))
    if (this.motionIs('cycle')) {
      if (moves || this.has('R')) this.drill(words)
      return
    }
    const isArc = this.motionIs(2) || this.motionIs(3)
    if (!moves && !(isArc && ['I', 'J', 'K', 'R'].some((letter) => this.has(letter)))) return
    if (this.motion === undefined) return
    this.judgeMove(words)
    const target = this.targetOf()
    if (isArc) this.arc(words, target)
    else this.follow(target, this.motionIs(0) ? 0 : 1)
  }

  private judgeMove(words: readonly ProgramWord[]): void {
    if (this.has('Z') && this.changed && !this.lengthActive) {
      this.judge('moves-before-length')
      this.changed = false
    }
    if (this.lengthActive) this.changed = false
    const cuts = !this.motionIs(0)
    if (cuts && this.prepared !== undefined && this.tool === undefined && !this.told) {
      this.judge('tool-not-changed', { tool: this.prepared })
      this.told = true
    }
    if (words.some(({ letter, value }) => letter === 'G' && value === 49) && this.has('Z'))
      if (this.has('X') || this.has('Y')) this.judge('cancel-moves-all-axes')
  }
  private told = false

  private arc(words: readonly ProgramWord[], target: Position): void {
    const clockwise = this.motionIs(2)
    const path = arcMove(this.position, target, PLANES[this.plane], clockwise, (letter) =>
      this.lengthOf(letter),
    )
    if (path.fault !== undefined) this.fault(path.fault, words, 'G', clockwise ? 2 : 3)
    // An arc that cannot be drawn still leads somewhere.
    if (path.extents === undefined) return this.follow(target, 1)
    this.record(path.extents, path.lengthNm, false, false)
    this.goTo(target)
  }

  private beginCycle(code: number): void {
    if (this.motion !== 'cycle') this.cycleStart = this.position.Z
    this.motion = 'cycle'
    this.cycle = { ...this.cycle, code }
  }

  private endCycle(): void {
    if (this.motion === 'cycle') this.motion = undefined
    this.cycle = undefined
  }

  /** One hole: over it, down to R, down to Z, up again. Words stick until the cycle is cancelled. */
  private drill(words: readonly ProgramWord[]): void {
    const cycle = this.cycle
    if (cycle === undefined) return
    const start = this.cycleStart
    const [Z, R] = [this.lengthOf('Z'), this.lengthOf('R')]
    if (R !== undefined) cycle.R = this.absolute ? R + (this.local.Z ?? 0) : (start ?? NaN) + R
    if (Z !== undefined) cycle.Z = this.absolute ? Z + (this.local.Z ?? 0) : (cycle.R ?? NaN) + Z
    const { Z: bottom, R: retract } = cycle
    if (
      bottom === undefined ||
      retract === undefined ||
      Number.isNaN(bottom) ||
      Number.isNaN(retract)
    ) {
      this.fault('cycle-incomplete', words, 'G', cycle.code)
      return
    }
    this.judgeMove(words)
    const { X, Y } = this.targetOf()
    this.follow({ ...nowhere(), X, Y }, 0)
    this.follow({ ...nowhere(), Z: retract }, 0)
    this.follow({ ...nowhere(), Z: bottom }, 1)
    const top = this.returnsToStart && start !== undefined ? Math.max(start, retract) : retract
    this.follow({ ...nowhere(), Z: top }, 0)
  }

  /** Where the written axes lead, in the row's frame; unknown where an unknown start is counted from. */
  private targetOf(): Position {
    const target = nowhere()
    for (const axis of AXES) {
      const written = this.lengthOf(axis)
      if (written === undefined) continue
      if (this.absolute) target[axis] = written + (this.local[axis] ?? 0)
      else {
        const at = this.position[axis]
        if (at === undefined) this.current().doubt()
        else target[axis] = at + written
      }
    }
    return target
  }

  private follow(target: Position, kind: 0 | 1): void {
    const extents: Partial<Record<MachineAxis, readonly [number, number]>> = {}
    let squares = 0
    let moved = false
    let sideways = false
    const lowest = Math.min(this.position.Z ?? 0, target.Z ?? this.position.Z ?? 0)
    for (const axis of AXES) {
      const to = target[axis]
      if (to === undefined) continue
      moved = true
      if (axis !== 'Z' && to !== this.position[axis]) sideways = true
      const from = this.position[axis] ?? to
      extents[axis] = from < to ? [from, to] : [to, from]
      squares += (to - from) ** 2
    }
    if (!moved) return
    this.record(extents, Math.sqrt(squares), kind === 0, sideways && lowest < 0)
    this.goTo(target)
  }

  private record(
    extents: Path['extents'],
    lengthNm: number,
    rapid: boolean,
    belowZero: boolean,
  ): void {
    const perMm = this.unit === 'in' ? NANOMETRES_PER.in / NANOMETRES_PER.mm : 1
    this.hasMoved = true
    const log = this.current()
    if (this.spokenSpeed !== undefined) {
      log.hearOfSpeed(this.spokenSpeed)
      this.spokenSpeed = undefined
    }
    log.follow(
      this.row,
      {
        extents,
        lengthNm,
        rapid,
        belowZero,
        feedPerMinute: this.feed === undefined ? undefined : this.feed * perMm,
      },
      this.placeNow,
    )
  }

  private motionIs(motion: ProgramReader['motion']): boolean {
    return this.motion === motion
  }

  private goTo(target: Position): void {
    for (const axis of AXES) this.position[axis] = target[axis] ?? this.position[axis]
  }

  /** An axis whose place is not known any more. */
  private forget(axis: MachineAxis): void {
    this.position[axis] = undefined
  }

  /** A written length in nanometres; millimetres until the program says inches. */
  private lengthOf(letter: string): number | undefined {
    const written = this.number(letter)
    return written === undefined
      ? undefined
      : Math.round(written * NANOMETRES_PER[this.unit ?? 'mm'])
  }

  private current(): OperationLog {
    this.log ??= new OperationLog(this.tool, this.place, this.lastComment)
    return this.log
  }

  private closeOperation(): void {
    if (this.log !== undefined && !this.log.isEmpty) {
      const operation = this.log.finish()
      const { tool, rapidBelowZero, spokenSpeed } = operation
      if (rapidBelowZero) this.notes.judge('rapid-below-zero', rapidBelowZero, { tool })
      if (spokenSpeed) this.notes.judge('speed-only-in-comment', spokenSpeed, { tool })
      this.operations.push(operation)
    }
    this.log = undefined
  }

  private fault(
    code: ProgramProblemCode,
    words: readonly ProgramWord[],
    letter: string,
    value?: number,
  ): void {
    const word = words.find(
      (one) => one.letter === letter && (value === undefined || one.value === value),
    )
    this.notes.problem({
      code,
      line: this.at,
      column: word?.column ?? 1,
      excerpt: word ? wordText(this.text, word) : this.place.excerpt,
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

/** Codes that are followed, but not as a state. */
const FOLLOWED_ELSEWHERE = new Set([10, 28, 30, 43, 44, 49, 52, 53, 92, 92.1, 92.2, 92.3])

const LONGEST_EXCERPT = 120
const LONGEST_HEADER = 60
/** A subprogram that calls itself would never end. */
const DEEPEST_CALL = 8
const MOST_LINES_CALLED = 300_000
const A = 'A'.charCodeAt(0)
const PLAIN_LETTERS = 'XYZIJKRFSN'

const nowhere = (): Position => ({ X: undefined, Y: undefined, Z: undefined })

/** Reads a whole program that is at hand as text; its own subprograms are followed in a second pass. */
export function readProgram(text: string): ProgramReading {
  const lines = text.split(/\r\n|\n|\r/)
  const read = (subprograms?: Subprograms) => {
    const reader = new ProgramReader(subprograms)
    for (const line of lines) reader.line(line)
    return { reading: reader.finish(), more: reader.subprogramsToFollow }
  }
  const first = read()
  return first.more === undefined ? first.reading : read(first.more).reading
}
