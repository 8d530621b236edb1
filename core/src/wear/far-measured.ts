import type { Measured } from '../facts/bodies/measured'
import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { DIGIT_SLIPS, undoneDigits } from '../slips/digit-candidates'

/** A part that a program cut comes out nearer than this to its nominal, or something other than a register is wrong. Common practice, no source. */
const FAR_NM = 500_000
/** What was meant lies about as near as parts come out. Common practice, no source. */
const NEAR_NM = 100_000

/** A reading of a feature that is no register's error. */
export interface FarMeasured {
  readonly read: WrittenLength
  /** Reading − nominal. */
  readonly deviation: Nanometres
  /** What was meant, where a slip of one digit made this of it. */
  readonly meant?: WrittenLength
}

/** The first reading of a feature that is too far from nominal to correct by, as a wrong digit is; undefined where none is. */
export function farMeasured({ nominal, measured, more = [] }: Measured): FarMeasured | undefined {
  const wanted = nanometresOf(nominal)
  if (wanted === undefined) return undefined
  for (const read of [measured, ...more]) {
    const deviation = toNanometres((nanometresOf(read) ?? wanted) - wanted)
    if (Math.abs(deviation) < FAR_NM) continue
    const meant = meantBy(read, wanted)
    return { read, deviation, ...(meant && { meant }) }
  }
  return undefined
}

/** The slip that is named first, and of its numbers the one nearest to nominal. */
function meantBy({ text, unit }: WrittenLength, wanted: Nanometres): WrittenLength | undefined {
  const undone = undoneDigits(text)
  const off = (one: string) => Math.abs((nanometresOf({ text: one, unit }) ?? Infinity) - wanted)
  for (const slip of DIGIT_SLIPS) {
    const [nearest] = undone[slip].toSorted((one, other) => off(one) - off(other))
    if (nearest !== undefined && off(nearest) <= NEAR_NM) return { text: nearest, unit }
  }
  return undefined
}
