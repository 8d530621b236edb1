import { NANOMETRES_PER, toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import { arcAround, arcExtents, arcOfRadius, type Arc, type PlanePoint } from './arc'
import { readBlock, type Block, type ProgramWord } from './block'
import { JUDGEMENT_SEVERITIES } from './judgement-severities'
import { OperationLog } from './operation-log'
import type {
  Extent,
  Extents,
  Operation,
  ProgramJudgement,
  ProgramJudgementCode,
  ProgramPlace,
  ProgramProblem,
  ProgramProblemCode,
  ProgramReading,
  ProgramRow,
} from './program-types'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']
/** The two axes of an arc's plane, the letters of its centre, and the axis that it climbs along. */
const PLANES = {
  17: { a: 'X', b: 'Y', i: 'I', j: 'J', climb: 'Z' },
  18: { a: 'Z', b: 'X', i: 'K', j: 'I', climb: 'Y' },
  19: { a: 'Y', b: 'Z', i: 'J', j: 'K', climb: 'X' },
} as const

/** An arc whose ends lie this much off its circle is told: a hundredth of a millimetre is more than rounding. */
const ARC_TOLERANCE_NM = 0.01 * NANOMETRES_PER.mm

/** Codes that say nothing about where the tool goes, and need no following. */
const HARMLESS_G = new Set([4, 9, 15, 17.1, 40.1, 50, 61, 61.1, 62, 64, 69, 93, 94, 95, 96, 97])

/** Where the tool is, in the program's own coordinates; an axis is unknown until a move says it. */
type Position = Partial<Record<MachineAxis, number>>

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
  private readonly problems: ProgramProblem[] = []
  private readonly judgements: ProgramJudgement[] = []
  private readonly operations: Operation[] = []
  private readonly writesOffsets: ProgramPlace[] = []
  private log: OperationLog | undefined
  private place: ProgramPlace = { line: 0, excerpt: '' }

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
  private position: Position = {}
  private local: Position = {}
  private hasShift = false
  private lengthActive = false
  private compensated = false
  private prepared: number | undefined
  private tool: number | undefined
  private changed = false
  private hasMoved = false
  private safe = new Set<number>()

  /** Takes the next line in, without its line break. */
  line(text: string): void {
    this.lines += 1
    this.place = { line: this.lines, excerpt: text.trim().slice(0, 120) }
    const block = readBlock(text)
    for (const { code, column, text: excerpt } of block.faults) {
      this.problems.push({ code, line: this.lines, column, excerpt })
      if (code !== 'comment-open') this.current().doubt()
    }
    const comments = block.comments.filter((comment) => comment !== '')
    this.lastComment = comments.at(-1) ?? this.lastComment
    if (block.words.length > 0) this.execute(block)
    if (!this.hasMoved && this.tool === undefined) this.header.push(...comments)
  }

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
      problems: this.problems,
      judgements: this.judgements,
      writesOffsets: this.writesOffsets,
    }
  }

  /** In the order in which a control executes the words of a block (NISTIR 6556 table 8, from memory). */
  private execute({ words }: Block): void {
    const value = (letter: string) => words.find((word) => word.letter === letter)?.value
    const codes = words.filter(({ letter }) => letter === 'G').map((word) => word.value)
    const has = (code: number) => codes.includes(code)
    const log = this.current()

    const F = value('F')
    if (F !== undefined) this.feed = F
    const S = value('S')
    if (S !== undefined) log.useSpeed(S)
    const T = value('T')
    if (T !== undefined) this.prepared = T
    const M = words.filter(({ letter }) => letter === 'M').map((word) => word.value)
    if (M.includes(6)) this.changeTool()
    if (M.includes(98) || M.includes(97)) this.fault('subprogram-not-followed', words, 'M')

    for (const code of codes) this.setModal(code, words)
    const D = value('D')
    if (D !== undefined && (has(41) || has(42))) {
      this.current().useDiameter(D, this.place)
      if (this.tool !== undefined && D !== this.tool && D !== 0)
        this.judge('diameter-differs-from-tool', { register: D })
    }
    this.setLength(codes, value('H'))

    if (has(10)) this.writesOffsets.push(this.place)
    else if (has(52) || has(92)) this.shift(has(92) ? 92 : 52, words)
    else if (has(92.1) || has(92.2)) this.clearShift()
    else if (has(28) || has(30)) this.home(words)
    else if (has(53)) this.machineMove(words)
    else if (has(4)) return
    else this.move(words)

    if (M.includes(2) || M.includes(30)) this.judgeEnd()
  }

  private setModal(code: number, words: readonly ProgramWord[]): void {
    this.safe.add(code)
    if (code === 17 || code === 18 || code === 19) this.plane = code
    else if (code === 20 || code === 21) this.setUnit(code === 20 ? 'in' : 'mm')
    else if (code === 90 || code === 91) this.absolute = code === 90
    else if (code === 98 || code === 99) this.returnsToStart = code === 98
    else if (code === 40) this.compensated = false
    else if (code === 41 || code === 42) this.compensated = true
    else if (code === 0 || code === 1 || code === 2 || code === 3) this.motion = code
    else if (code === 80) this.endCycle()
    else if (code === 73 || (code >= 81 && code <= 89)) this.beginCycle(code)
    else if (code >= 54 && code <= 59) this.selectRow(`G${code}`)
    else if (code === 59.1 || code === 59.2 || code === 59.3) this.selectRow(`G${code}`)
    else if (code === 54.1) this.selectRow(`G54.1 P${numberOf(words, 'P') ?? '?'}`)
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
    this.position = {}
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
      if (this.motionIs(0) && codes.length > 0 && this.lengthActive) this.forget('Z')
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
    if (this.compensated) this.judge('compensation-not-cancelled')
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

  private shift(code: 52 | 92, words: readonly ProgramWord[]): void {
    this.hasShift = false
    for (const axis of AXES) {
      const written = this.lengthOf(words, axis)
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
    this.local = {}
    this.hasShift = false
  }

  /** Through a point, then to where the machine is at home: nothing is known afterwards. */
  private home(words: readonly ProgramWord[]): void {
    const through = this.targetOf(words)
    this.follow(through, 0)
    if (this.lengthActive && words.some(({ letter }) => letter === 'X') && has(words, 'Z'))
      this.judge('cancel-moves-all-axes')
    for (const axis of AXES) if (has(words, axis)) this.forget(axis)
  }

  private machineMove(words: readonly ProgramWord[]): void {
    for (const axis of AXES) if (has(words, axis)) this.forget(axis)
  }

  private move(words: readonly ProgramWord[]): void {
    const moves = AXES.some((axis) => has(words, axis))
    if (this.motionIs('cycle')) {
      if (moves || has(words, 'R')) this.drill(words)
      return
    }
    const isArc = this.motionIs(2) || this.motionIs(3)
    if (!moves && !(isArc && ['I', 'J', 'K', 'R'].some((letter) => has(words, letter)))) return
    if (this.motion === undefined) return
    this.judgeMove(words)
    const target = this.targetOf(words)
    if (isArc) this.arc(words, target)
    else this.follow(target, this.motionIs(0) ? 0 : 1)
  }

  private judgeMove(words: readonly ProgramWord[]): void {
    if (has(words, 'Z') && this.changed && !this.lengthActive) {
      this.judge('moves-before-length')
      this.changed = false
    }
    if (this.lengthActive) this.changed = false
    const cuts = !this.motionIs(0)
    if (cuts && this.prepared !== undefined && this.tool === undefined && !this.told) {
      this.judge('tool-not-changed', { tool: this.prepared })
      this.told = true
    }
    if (words.some(({ letter, value }) => letter === 'G' && value === 49) && has(words, 'Z'))
      if (has(words, 'X') || has(words, 'Y')) this.judge('cancel-moves-all-axes')
  }
  private told = false

  private arc(words: readonly ProgramWord[], target: Position): void {
    const { a, b, i, j, climb } = PLANES[this.plane]
    const start = pointOf(this.position, a, b)
    const end = pointOf({ ...this.position, ...target }, a, b)
    const clockwise = this.motionIs(2)
    if (start === undefined || end === undefined) {
      this.fault('arc-start-unknown', words, 'G', clockwise ? 2 : 3)
      this.follow(target, 1)
      return
    }
    const arc = this.arcFrom(words, start, end, [i, j], clockwise)
    if (arc === undefined) {
      this.fault('arc-undetermined', words, 'G', clockwise ? 2 : 3)
      this.follow(target, 1)
      return
    }
    const extents = arcExtents(start, end, arc)
    const climbFrom = this.position[climb]
    const climbTo = target[climb] ?? climbFrom
    const climbs =
      climbFrom === undefined || climbTo === undefined ? 0 : Math.abs(climbTo - climbFrom)
    this.record(
      {
        [a]: extents.a,
        [b]: extents.b,
        ...(climbTo !== undefined && {
          [climb]: [
            Math.min(climbFrom ?? climbTo, climbTo),
            Math.max(climbFrom ?? climbTo, climbTo),
          ],
        }),
      },
      Math.hypot(arc.radius * arc.sweep, climbs),
      false,
    )
    this.position = { ...this.position, ...target }
  }

  private arcFrom(
    words: readonly ProgramWord[],
    start: PlanePoint,
    end: PlanePoint,
    letters: readonly [string, string],
    clockwise: boolean,
  ): Arc | undefined {
    const radius = this.lengthOf(words, 'R')
    if (radius !== undefined) return arcOfRadius(start, end, radius, clockwise)
    const [i, j] = letters.map((letter) => this.lengthOf(words, letter))
    if (i === undefined && j === undefined) return undefined
    const centre = { a: start.a + (i ?? 0), b: start.b + (j ?? 0) }
    const arc = arcAround(start, end, centre, clockwise)
    const endRadius = Math.hypot(end.a - centre.a, end.b - centre.b)
    if (Math.abs(endRadius - arc.radius) > ARC_TOLERANCE_NM)
      this.fault('arc-radius-differs', words, 'G', clockwise ? 2 : 3)
    return arc
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
    const [Z, R] = [this.lengthOf(words, 'Z'), this.lengthOf(words, 'R')]
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
    const { X, Y } = this.targetOf(words)
    this.follow({ ...(X !== undefined && { X }), ...(Y !== undefined && { Y }) }, 0)
    this.follow({ Z: retract }, 0)
    this.follow({ Z: bottom }, 1)
    const top = this.returnsToStart && start !== undefined ? Math.max(start, retract) : retract
    this.follow({ Z: top }, 0)
  }

  /** Where the written axes lead, in the row's frame; unknown where an unknown start is counted from. */
  private targetOf(words: readonly ProgramWord[]): Position {
    const target: Position = {}
    for (const axis of AXES) {
      const written = this.lengthOf(words, axis)
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
    const extents: Partial<Record<MachineAxis, Extent>> = {}
    let squares = 0
    for (const axis of AXES) {
      const to = target[axis]
      if (to === undefined) continue
      const from = this.position[axis]
      extents[axis] = [nm(Math.min(from ?? to, to)), nm(Math.max(from ?? to, to))]
      squares += from === undefined ? 0 : (to - from) ** 2
    }
    if (Object.keys(extents).length === 0) return
    this.record(extents, Math.sqrt(squares), kind === 0)
    this.position = { ...this.position, ...target }
  }

  private record(
    extents: Readonly<Partial<Record<MachineAxis, readonly [number, number]>>>,
    lengthNm: number,
    rapid: boolean,
  ): void {
    const rounded: Partial<Record<MachineAxis, Extent>> = {}
    for (const axis of AXES) {
      const range = extents[axis]
      if (range) rounded[axis] = [nm(range[0]), nm(range[1])]
    }
    const perMm = this.unit === 'in' ? NANOMETRES_PER.in / NANOMETRES_PER.mm : 1
    this.hasMoved = true
    this.current().follow(
      this.row,
      {
        extents: rounded as Extents,
        lengthNm,
        rapid,
        feedPerMinute: this.feed === undefined ? undefined : this.feed * perMm,
      },
      this.place,
    )
  }

  private motionIs(motion: ProgramReader['motion']): boolean {
    return this.motion === motion
  }

  /** An axis whose place is not known any more. */
  private forget(axis: MachineAxis): void {
    const { [axis]: _gone, ...rest } = this.position
    this.position = rest
  }

  /** A written length in nanometres; millimetres until the program says inches. */
  private lengthOf(words: readonly ProgramWord[], letter: string): number | undefined {
    const written = numberOf(words, letter)
    return written === undefined
      ? undefined
      : Math.round(written * NANOMETRES_PER[this.unit ?? 'mm'])
  }

  private current(): OperationLog {
    this.log ??= new OperationLog(this.tool, this.place, this.lastComment)
    return this.log
  }

  private closeOperation(): void {
    if (this.log !== undefined && !this.log.isEmpty) this.operations.push(this.log.finish())
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
    this.problems.push({
      code,
      line: this.lines,
      column: word?.column ?? 1,
      excerpt: word ? `${word.letter}${word.text}` : this.place.excerpt,
    })
    this.current().doubt()
  }

  private judge(
    code: ProgramJudgementCode,
    about: { readonly tool?: number; readonly register?: number } = {},
  ): void {
    const tool = about.tool ?? this.tool
    this.judgements.push({
      code,
      severity: JUDGEMENT_SEVERITIES[code],
      ...this.place,
      ...(tool !== undefined && { tool }),
      ...(about.register !== undefined && { register: about.register }),
    })
  }
}

/** Codes that are followed, but not as a state. */
const FOLLOWED_ELSEWHERE = new Set([10, 28, 30, 43, 44, 49, 52, 53, 92, 92.1, 92.2, 92.3])

const numberOf = (words: readonly ProgramWord[], letter: string): number | undefined =>
  words.find((word) => word.letter === letter)?.value

const has = (words: readonly ProgramWord[], letter: string): boolean =>
  words.some((word) => word.letter === letter)

const nm = (value: number): Nanometres => toNanometres(value)

function pointOf(position: Position, a: MachineAxis, b: MachineAxis): PlanePoint | undefined {
  const [first, second] = [position[a], position[b]]
  return first === undefined || second === undefined ? undefined : { a: first, b: second }
}

/** Reads a whole program that is at hand as text. */
export function readProgram(text: string): ProgramReading {
  const reader = new ProgramReader()
  for (const line of text.split(/\r\n|\n|\r/)) reader.line(line)
  return reader.finish()
}
