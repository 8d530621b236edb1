import type { KeyInLine } from '../../src/keyin'
import type { Axis } from './world'

/**
 * A control, described by what its keys do (docs/domain.md, “Keys of a control”): it holds machine position, the rows, the lengths, an
 * external offset, which length is active, and a relative counter. It knows nothing of set-ups.
 */
export class ModelControl {
  readonly registers = new Map<string, number>()
  readonly position: Record<Axis, number> = { X: 0, Y: 0, Z: 0 }
  private counterZero: Record<Axis, number> = { X: 0, Y: 0, Z: 0 }
  active: string | undefined

  constructor(
    public external: Readonly<Record<Axis, number>>,
    private readonly lengthSign: 1 | -1,
    /** Steps of the display, nanometres. */
    readonly step: number,
  ) {}

  set(address: string, number: number): void {
    this.registers.set(address, number)
  }

  add(address: string, number: number): void {
    this.registers.set(address, (this.registers.get(address) ?? 0) + number)
  }

  copy(address: string, axis: Axis): void {
    this.registers.set(address, this.position[axis])
  }

  /** “My position is V”: it works the row out from where it stands, with everything that it adds by itself. */
  myPositionIs(address: string, axis: Axis, V: number): void {
    const length =
      axis === 'Z' && this.active !== undefined
        ? this.lengthSign * (this.registers.get(this.active) ?? 0)
        : 0
    this.registers.set(address, this.position[axis] - this.external[axis] - length - V)
  }

  zeroCounter(axis: Axis): void {
    this.counterZero[axis] = this.position[axis]
  }

  counter(axis: Axis): number {
    return this.position[axis] - this.counterZero[axis]
  }

  /** What it shows as the work position, with a row active and, in Z, the length that is. */
  work(row: string, axis: Axis): number {
    const length =
      axis === 'Z' && this.active !== undefined
        ? this.lengthSign * (this.registers.get(this.active) ?? 0)
        : 0
    return (
      this.position[axis] -
      this.external[axis] -
      (this.registers.get(`${row}.${axis}`) ?? 0) -
      length
    )
  }

  copyCounter(address: string, axis: Axis): void {
    this.registers.set(address, this.counter(axis))
  }

  /** Zeroed where the axis would stand if it were so much higher: with a shorter tool on the same gauge. */
  zeroCounterAt(axis: Axis, machine: number): void {
    this.counterZero[axis] = machine
  }

  /** The counter's half, taken at the second face, and the drive to where it then reads zero. */
  halveAndDrive(axis: Axis): number {
    const shown = this.position[axis] - this.counterZero[axis]
    this.position[axis] -= shown / 2
    return shown
  }

  /** Machine Z with a length active, at a work position. */
  machineZ(row: string, length: string, work: number): number {
    return (
      this.external.Z +
      (this.registers.get(`${row}.Z`) ?? NaN) +
      this.lengthSign * (this.registers.get(length) ?? NaN) +
      work
    )
  }

  /** Does what a line of the key-in sheet says, standing where the touches were made. */
  follow(line: KeyInLine, axis: Axis, stands: readonly number[]): void {
    const typed = line.type === undefined ? NaN : this.typed(line.type, line.unit)
    this.position[axis] = stands.at(-1) ?? NaN
    switch (line.mode) {
      case 'set':
        return this.set(line.address, typed)
      case 'add':
        return this.add(line.address, typed)
      case 'copy':
        this.copy(line.address, axis)
        return this.add(line.address, typed)
      case 'stored':
        throw new Error('this control has no cycle of its own')
      case 'copy-counter':
        this.copyCounter(line.address, axis)
        return this.add(line.address, typed)
      case 'position':
        return this.myPositionIs(line.address, axis, typed)
      case 'halve':
        this.position[axis] = stands.at(-2) ?? NaN
        this.zeroCounter(axis)
        this.position[axis] = stands.at(-1) ?? NaN
        this.halveAndDrive(axis)
        return this.myPositionIs(line.address, axis, typed)
    }
  }

  /** The same control once more, to try on it what somebody is told to do. */
  copyOfIt(): ModelControl {
    const other = new ModelControl(this.external, this.lengthSign, this.step)
    for (const [address, number] of this.registers) other.set(address, number)
    Object.assign(other.position, this.position)
    other.counterZero = { ...this.counterZero }
    other.active = this.active
    return other
  }

  private typed(text: string, unit: 'mm' | 'in'): number {
    return Math.round(Number.parseFloat(text) * (unit === 'mm' ? 1e6 : 25.4e6))
  }

  /** Whether a register shows a number, within one step of the display. */
  shows(address: string, wanted: number): boolean {
    return Math.abs((this.registers.get(address) ?? NaN) - wanted) <= 0.51 * this.step
  }
}
