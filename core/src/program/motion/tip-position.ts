import type { Position } from './arc-move'
import type { OperationLog, PlaceSource } from '../operation-log'

export const Z_AXIS = 2
const AXES = 3

/**
 * Where the tip is in the frame of the active row, and where the next move takes it, in nanometres; NaN for
 * an axis that is not known, or that the move leaves alone. Axes are counted X, Y, Z. Plain arrays of
 * numbers: a program may have millions of moves, and nothing is made for one.
 */
export class TipPosition {
  private readonly at = new Float64Array(AXES).fill(NaN)
  private readonly target = new Float64Array(AXES).fill(NaN)
  /** What G52 or G92 adds to every written position. */
  private readonly shifts = new Float64Array(AXES)

  /** Aims an axis; NaN leaves it. False where it would be counted from an unknown place. */
  aim(axis: number, written: number, absolute: boolean): boolean {
    const from = absolute ? this.shiftOf(axis) : (this.at[axis] ?? NaN)
    this.target[axis] = from + written
    return Number.isNaN(written) || !Number.isNaN(from)
  }

  /** Aims along one axis alone. */
  aimAlong(axis: number, to: number): void {
    this.target.fill(NaN)
    this.target[axis] = to
  }

  /** Where the tip is along an axis; NaN where it is not known. */
  placeOn(axis: number): number {
    return this.at[axis] ?? NaN
  }

  /** Whether it is aimed lower in Z than it is, or from nobody knows where. */
  get goesDown(): boolean {
    const to = this.target[Z_AXIS] ?? NaN
    return !Number.isNaN(to) && !(to >= (this.at[Z_AXIS] ?? NaN))
  }

  /** Whether X and Y are both known where it is aimed at. */
  get isOverKnownPlace(): boolean {
    for (let axis = 0; axis < Z_AXIS; axis += 1)
      if (Number.isNaN(this.target[axis] ?? NaN) && Number.isNaN(this.at[axis] ?? NaN)) return false
    return true
  }

  /** Leaves an axis where it is. */
  keep(axis: number): void {
    this.target[axis] = NaN
  }

  get moves(): boolean {
    for (let axis = 0; axis < AXES; axis += 1) if (!Number.isNaN(this.target[axis])) return true
    return false
  }

  /**
   * Goes straight to where it is aimed at; what it reaches on the way goes into the log. Gives how long the
   * way is; an axis whose start is not known adds nothing.
   */
  goStraight(log: OperationLog, source: PlaceSource): number {
    let squares = 0
    for (let axis = 0; axis < AXES; axis += 1) {
      const to = this.target[axis] ?? NaN
      if (Number.isNaN(to)) continue
      const at = this.at[axis] ?? NaN
      const from = Number.isNaN(at) ? to : at
      log.reach(axis, Math.min(from, to), Math.max(from, to), source)
      squares += (to - from) ** 2
      this.at[axis] = to
    }
    return Math.sqrt(squares)
  }

  /** Along X or Y, at or on the way to a Z below zero. */
  get goesSidewaysBelowZero(): boolean {
    const below = (this.at[Z_AXIS] ?? NaN) < 0 || (this.target[Z_AXIS] ?? NaN) < 0
    return below && (this.movesAlong(0) || this.movesAlong(1))
  }

  arrive(): void {
    for (let axis = 0; axis < AXES; axis += 1) {
      const to = this.target[axis] ?? NaN
      if (!Number.isNaN(to)) this.at[axis] = to
    }
  }

  forget(axis: number): void {
    this.at[axis] = NaN
  }

  forgetAll(): void {
    this.at.fill(NaN)
  }

  shift(axis: number, by: number): void {
    this.shifts[axis] = by
  }

  /** The position is given another name: what was known stays known under the new one. False where it was not. */
  rename(axis: number, name: number): boolean {
    const at = this.at[axis] ?? NaN
    this.shifts[axis] = Number.isNaN(at) ? 0 : at - name
    return !Number.isNaN(at)
  }

  clearShifts(): void {
    this.shifts.fill(0)
  }

  shiftOf(axis: number): number {
    return this.shifts[axis] ?? 0
  }

  /** For what is done seldom. */
  get position(): Position {
    return positionOf(this.at)
  }

  get aimedAt(): Position {
    return positionOf(this.target)
  }

  private movesAlong(axis: number): boolean {
    const to = this.target[axis] ?? NaN
    return !Number.isNaN(to) && to !== this.at[axis]
  }
}

function positionOf(places: Float64Array): Position {
  return { X: known(places[0]), Y: known(places[1]), Z: known(places[2]) }
}

function known(place: number | undefined): number | undefined {
  return Number.isNaN(place) ? undefined : place
}
