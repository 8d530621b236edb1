/** The heights of one hole, in nanometres of the row's frame. */
export interface HoleHeights {
  readonly retract: number
  readonly bottom: number
  /** Where the tip is afterwards. */
  readonly top: number
}

/** Words of a block that a cycle keeps, as lengths; undefined where they are not written. */
export interface CycleWords {
  readonly R: number | undefined
  readonly Z: number | undefined
  readonly absolute: boolean
  /** What G52 or G92 adds to a written Z. */
  readonly shift: number
}

/** A canned cycle, G73 and G81 to G89: its words stick until it is cancelled (NISTIR 6556 §3.5.16, from memory). */
export class CannedCycle {
  code: number | undefined
  /** Z before the first hole; undefined where it is not known. */
  start: number | undefined
  private R: number | undefined
  private Z: number | undefined

  end(): void {
    this.code = undefined
    this.R = undefined
    this.Z = undefined
  }

  /** Incremental R counts from where the tip was, Z from R. Undefined while one of them is not known. */
  heightsOf(
    { R, Z, absolute, shift }: CycleWords,
    returnsToStart: boolean,
  ): HoleHeights | undefined {
    const { start } = this
    if (R !== undefined) this.R = absolute ? R + shift : start === undefined ? undefined : start + R
    if (Z !== undefined)
      this.Z = absolute ? Z + shift : this.R === undefined ? undefined : this.R + Z
    const { R: retract, Z: bottom } = this
    if (retract === undefined || bottom === undefined) return undefined
    const top = returnsToStart && start !== undefined ? Math.max(start, retract) : retract
    return { retract, bottom, top }
  }
}
