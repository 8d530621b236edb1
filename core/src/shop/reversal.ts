import { COVERAGE } from '../budget/budget'
import { studentT } from '../budget/student-t'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'

/** One place of an axis, read off the display after it was met from both sides: an indicator stood at zero each time. */
export interface ReversalPair {
  /** Met moving towards plus. */
  readonly towardsPlus: WrittenLength
  /** Met moving towards minus. */
  readonly towardsMinus: WrittenLength
}

/** What a reversal test tells of a screw. Millimetres. */
export interface Reversal {
  /** How much further the display stands where the axis came towards plus: the backlash. */
  readonly meanMm: number
  /** Half the width of its 95 % interval, by how the pairs scatter. */
  readonly withinMm: number
  readonly pairs: number
  /** Below zero beyond what may be chance: the two columns were filled in the other way round. */
  readonly isTurned: boolean
}

/** Fewer pairs tell nothing of how they scatter. */
export const LEAST_PAIRS = 3

/**
 * The backlash of a screw by a reversal test: the same place is met from both sides, an indicator at zero each time, and the
 * display is read. The mean of the differences, with Student's t for how few they are (JCGM 100, G.3.2). Undefined with fewer
 * than three pairs that can be read.
 *
 * @example three pairs of 10.012 and 10.000 mm: 0.012 mm, within 0.
 */
export function lostMotionBy(pairs: readonly ReversalPair[]): Reversal | undefined {
  const apart = pairs.flatMap(({ towardsPlus, towardsMinus }) => {
    const [plus, minus] = [readLength(towardsPlus), readLength(towardsMinus)]
    return plus.ok && minus.ok ? [(plus.value.nm - minus.value.nm) / NANOMETRES_PER.mm] : []
  })
  const n = apart.length
  if (n < LEAST_PAIRS) return undefined
  const meanMm = apart.reduce((sum, one) => sum + one, 0) / n
  const squares = apart.reduce((sum, one) => sum + (one - meanMm) ** 2, 0)
  const withinMm = studentT(COVERAGE, n - 1) * Math.sqrt(squares / (n - 1) / n)
  return { meanMm, withinMm, pairs: n, isTurned: meanMm < -withinMm }
}
