import { mapAxes, type Axis } from '../kit'

/** The relative counters: a person zeroes them anywhere, and the machine ignores them. Nanometres. */
export class Counters {
  private readonly zeroes = mapAxes(() => 0)

  /** @param machine machine position as it is displayed. */
  show(axis: Axis, machine: number): number {
    return machine - this.zeroes[axis]
  }

  /** Has it show a number where the axis stands. */
  setTo(axis: Axis, machine: number, shows = 0): void {
    this.zeroes[axis] = machine - shows
  }
}
