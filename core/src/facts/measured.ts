import type { WrittenLength } from '../length/length'

/** A feature of the first part, beside what it should be. */
export interface Measured {
  /** `thickness` is of a calibration cut: a soft block that this tool cut from one side or from two. */
  readonly feature: 'outside-width' | 'inside-width' | 'floor-depth' | 'thickness'
  readonly tool: number
  readonly nominal: WrittenLength
  readonly measured: WrittenLength
  /** Further readings of the same, of which the mean is taken. */
  readonly more?: readonly WrittenLength[]
  /** Sides of a block that were cut; one, where it is not said. */
  readonly sides?: 1 | 2
}
