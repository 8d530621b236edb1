import { NANOMETRES_PER, type LengthUnit } from '../length/length'
import { isKnownCode, rowOfCode } from './codes'
import type { ProgramRow } from './program-types'

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
  /** As written, a minute; NaN before any is set. */
  feed = NaN

  /** @param P the block's P, which a code for further rows needs */
  take(code: number, P: number | undefined): ModalChange {
    if (code === 17 || code === 18 || code === 19) this.plane = code
    else if (code === 20 || code === 21) return this.setUnit(code === 20 ? 'in' : 'mm')
    else if (code === 90 || code === 91) this.absolute = code === 90
    else if (code === 98 || code === 99) this.returnsToStart = code === 98
    else if (code === 0 || code === 1 || code === 2 || code === 3) this.motion = code
    else return this.selectRow(code, P)
    return undefined
  }

  /** A written length in nanometres. */
  lengthOf(written: number): number {
    return Math.round(written * this.perUnit)
  }

  /** Millimetres a minute; NaN before any is set. */
  get feedPerMinute(): number {
    return (this.feed * this.perUnit) / NANOMETRES_PER.mm
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
