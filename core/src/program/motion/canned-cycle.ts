/** The places of one hole along its depth, in nanometres of the row's frame. */
export interface HoleHeights {
  readonly retract: number
  readonly bottom: number
  /** Where the tip is afterwards. */
  readonly top: number
}

/** Words of a block that a cycle keeps, as lengths; undefined where they are not written. */
export interface CycleWords {
  readonly R: number | undefined
  /** The letter of the depth: Z in the XY plane, Y in ZX, X in YZ. */
  readonly depth: number | undefined
  readonly absolute: boolean
  /** What G52 or G92 adds to a written depth. */
  readonly shift: number
}

/**
 * A canned cycle: its words stick until it is cancelled. G81 to G89 by NISTIR 6556 §3.5.16 (from memory); G73 is common
 * practice, no source.
 */
export class CannedCycle {
  code: number | undefined
  /** Where the tip was along the depth before the first hole; undefined where it is not known. */
  start: number | undefined
  private R: number | undefined
  private bottom: number | undefined

  end(): void {
    this.code = undefined
    this.R = undefined
    this.bottom = undefined
  }

  /** Incremental R counts from where the tip was, the depth from R. Undefined while one of them is not known. */
  heightsOf(
    { R, depth, absolute, shift }: CycleWords,
    returnsToStart: boolean,
  ): HoleHeights | undefined {
    const { start } = this
    if (R !== undefined) this.R = absolute ? R + shift : start === undefined ? undefined : start + R
    if (depth !== undefined)
      this.bottom = absolute ? depth + shift : this.R === undefined ? undefined : this.R + depth
    const { R: retract, bottom } = this
    if (retract === undefined || bottom === undefined) return undefined
    const top = returnsToStart && start !== undefined ? Math.max(start, retract) : retract
    return { retract, bottom, top }
  }
}
