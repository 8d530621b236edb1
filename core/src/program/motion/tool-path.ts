import { NANOMETRES_PER } from '../../length/length'
import type { MachineAxis } from '../../address/row'
import { arcMove, PLANES } from './arc-move'
import { CannedCycle, type HoleHeights } from './canned-cycle'
import type { CurrentLine } from '../current-line'
import { drillHoles, MOST_HOLES } from './holes'
import type { LeftActive } from './left-active'
import type { ModalState } from './modal-state'
import type { OperationLog } from '../operation-log'
import { TipPosition, Z_AXIS } from './tip-position'
import type { ToolOperations } from '../tool-operations'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/**
 * Where the words of a block take the tip, and what it reaches on the way. It knows what the codes have set,
 * but sets none itself: that is the reader's.
 */
export class ToolPath {
  private readonly cycle = new CannedCycle()
  private readonly tip = new TipPosition()

  constructor(
    private readonly line: CurrentLine,
    private readonly modal: ModalState,
    private readonly left: LeftActive,
    private readonly operations: ToolOperations,
  ) {}

  /** Nobody knows where the tip is, in the frame that is active from here on. */
  forgetAll(): void {
    this.tip.forgetAll()
  }

  /** With another length active the same tip is at another Z. */
  forgetZ(): void {
    this.tip.forget(Z_AXIS)
  }

  /** Straight to where the block says. */
  straight(): void {
    this.aim()
    this.follow(this.modal.motion === 0)
  }

  arc(): void {
    this.aim()
    const clockwise = this.modal.motion === 2
    const { tip } = this
    const path = arcMove(tip.position, tip.aimedAt, PLANES[this.modal.plane], clockwise, (letter) =>
      this.lengthOf(letter),
    )
    if (path.fault !== undefined) this.operations.fault(path.fault, 'G', clockwise ? 2 : 3)
    // An arc that cannot be drawn still leads somewhere.
    if (path.extents === undefined) return this.follow(false)
    const log = this.moving()
    for (const [axis, letter] of AXES.entries()) {
      const range = path.extents[letter]
      if (range !== undefined) log.reach(axis, range[0], range[1], this.line)
    }
    this.countFeed(log, path.lengthNm)
    tip.arrive()
  }

  /** G52 sets a shift of the written axes, G92 gives the place where the tip is another name. */
  shift(code: 52 | 92): void {
    this.left.shift = false
    for (const [axis, letter] of AXES.entries()) {
      const written = this.lengthOf(letter)
      if (written === undefined) continue
      if (code === 52) this.tip.shift(axis, written)
      else if (!this.tip.rename(axis, written)) this.operations.current.doubt()
      if (code === 92 || written !== 0) this.left.shift = true
    }
  }

  clearShift(): void {
    this.tip.clearShifts()
    this.left.shift = false
  }

  /** Through a point, then the axes that are written go home, or all of them: nothing is known of those afterwards. */
  home(): void {
    const { line, left, operations } = this
    if (!line.namesAxes) return this.tip.forgetAll()
    this.aim()
    const goesDown = line.has('Z') && this.modal.absolute && this.tip.goesDown
    if (goesDown) operations.judge('home-goes-down')
    else if (left.length && line.has('X') && line.has('Z'))
      operations.judge('cancel-moves-all-axes')
    this.follow(true)
    this.toMachinePlace()
  }

  /** The written axes go where the machine's own frame says: in the row's frame they are not known. */
  toMachinePlace(): void {
    for (const [axis, letter] of AXES.entries()) if (this.line.has(letter)) this.tip.forget(axis)
  }

  beginCycle(code: number): void {
    this.cycle.code = code
    // Cycles that follow each other go back to where the first one began.
    if (this.modal.motion !== 'cycle') {
      const start = this.tip.placeOn(this.depthAxis)
      this.cycle.start = Number.isNaN(start) ? undefined : start
    }
    this.modal.motion = 'cycle'
  }

  endCycle(): void {
    if (this.modal.motion === 'cycle') this.modal.motion = undefined
    this.cycle.end()
  }

  /** How high and how deep the block's holes go; undefined, and told, where the cycle has not all of its words. */
  holeHeights(): HoleHeights | undefined {
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
    if (heights === undefined) this.operations.fault('cycle-incomplete', 'G', this.cycle.code)
    return heights
  }

  /** Holes: over each, to R, down, up again. L repeats them, each as far from the last as the block says. */
  drill(heights: HoleHeights): void {
    const { depthAxis } = this
    const times = this.line.valueOf('L') ?? 1
    if (times > MOST_HOLES) this.operations.fault('repeats-too-many', 'L')
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

  /** Holes go along the axis that the plane leaves: Z in XY, Y in ZX, X in YZ. */
  private get depthAxis(): number {
    return AXES.indexOf(PLANES[this.modal.plane].climb)
  }

  /** Where the written axes lead; an axis that is counted from an unknown place stays unknown. */
  private aim(): void {
    const { tip, modal } = this
    const { numbers } = this.line
    let known = true
    for (let axis = 0; axis < AXES.length; axis += 1) {
      const written = numbers.get(LETTER_X + axis)
      known = tip.aim(axis, modal.lengthOf(written), modal.absolute) && known
    }
    if (!known) this.operations.current.doubt()
  }

  /** Straight to where the tip is aimed at. */
  private follow(rapid: boolean): void {
    if (!this.tip.moves) return
    const log = this.moving()
    const sidewaysBelowZero = rapid && this.tip.goesSidewaysBelowZero
    // What is cut where nobody knows has no extents there.
    if (!rapid && !this.tip.isOverKnownPlace) log.doubt()
    const length = this.tip.goStraight(log, this.line)
    if (rapid) log.countRapid(length, sidewaysBelowZero, this.line)
    else this.countFeed(log, length)
  }

  private countFeed(log: OperationLog, lengthNm: number): void {
    const { modal } = this
    log.count(lengthNm, modal.minutesFor(lengthNm / NANOMETRES_PER.mm), modal.feedAsWritten)
  }

  /** The log of the tool, of a move in the row that is active. */
  private moving(): OperationLog {
    const log = this.operations.moving
    if (this.modal.isTurned) log.doubt()
    log.moveIn(this.modal.row, this.left.length, this.line)
    return log
  }

  private lengthOf(letter: string): number | undefined {
    const written = this.line.valueOf(letter)
    return written === undefined ? undefined : this.modal.lengthOf(written)
  }
}

/** X, Y and Z follow each other in the alphabet. */
const LETTER_X = 23
