import { NANOMETRES_PER, type LengthUnit } from '../../length/length'
import { endsTurn, isKnownCode, rowOfCode, turnsPlaces } from '../text/codes'
import type { ProgramRow } from '../program-reading'

/** What taking a code in has changed, where the reader has to do more about it. */
export type ModalChange = 'unit-switched' | 'another-row' | 'unknown' | undefined

/** What stays set from one block to the next: the modal groups of NISTIR 6556 table 4 (from memory). */
export class ModalState {
  unit: LengthUnit | undefined
  firstUnit: LengthUnit | undefined
  /** Nanometres in a written length of one; millimetres until the program says inches. */
  perUnit: number = NANOMETRES_PER.mm
  absolute = true
  plane: 17 | 18 | 19 = 17
  motion: 0 | 1 | 2 | 3 | 'cycle' | undefined
  /** After a hole: up to where the cycle began (G98), or to its own R (G99). */
  returnsToStart = true
  row: ProgramRow = 'G54'
  /** As written; NaN before any is set. */
  feed = NaN
  /** What F means: a distance a minute (94), a share of the block's time (93), a distance a turn (95). */
  private feedMode: 93 | 94 | 95 = 94
  /** Turns a minute; NaN before any is set. */
  speed = NaN
  /** The D that was written last: it stays until another is. */
  diameter: number | undefined
  /** Codes under which places are not where they are written. */
  private readonly turned = new Set<number>()

  /** @param P the block's P, which a code for further rows needs */
  take(code: number, P: number | undefined): ModalChange {
    if (code === 17 || code === 18 || code === 19) this.plane = code
    else if (code === 20 || code === 21) return this.setUnit(code === 20 ? 'in' : 'mm')
    else if (code === 90 || code === 91) this.absolute = code === 90
    else if (code === 98 || code === 99) this.returnsToStart = code === 98
    else if (code === 93 || code === 94 || code === 95) this.feedMode = code
    else if (turnsPlaces(code)) {
      this.turned.add(code)
      return 'unknown'
    } else if (code === 0 || code === 1 || code === 2 || code === 3) this.motion = code
    else {
      for (const turned of this.turned) if (endsTurn(turned, code)) this.turned.delete(turned)
      return this.selectRow(code, P)
    }
    return undefined
  }

  /** Whether places are where they are written. */
  get isTurned(): boolean {
    return this.turned.size > 0
  }

  /** A written length in nanometres. */
  lengthOf(written: number): number {
    return Math.round(written * this.perUnit)
  }

  /** F as a distance a minute, as written; NaN where it means something else, or none is set. */
  get feedAsWritten(): number {
    return this.feedMode === 94 ? this.feed : NaN
  }

  /** How long a path at feed takes, minutes; NaN where nobody knows. */
  minutesFor(millimetres: number): number {
    if (this.feedMode === 93) return 1 / this.feed
    const perMinute = this.feedMode === 95 ? this.feed * this.speed : this.feed
    return millimetres / ((perMinute * this.perUnit) / NANOMETRES_PER.mm)
  }

  private setUnit(unit: LengthUnit): ModalChange {
    const switched = this.unit !== undefined && this.unit !== unit
    this.unit = unit
    this.perUnit = NANOMETRES_PER[unit]
    this.firstUnit ??= unit
    return switched ? 'unit-switched' : undefined
  }

  private selectRow(code: number, P: number | undefined): ModalChange {
    const row = rowOfCode(code, P)
    if (row === undefined) return isKnownCode(code) ? undefined : 'unknown'
    const another = row !== this.row
    this.row = row
    return another ? 'another-row' : undefined
  }
}
