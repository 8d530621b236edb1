import type { WrittenLength } from '../length/length'
import type { Seat } from './tool-properties'

/** What a length that was measured on a surface plate is worth in the spindle. */
export interface BenchLength {
  readonly length: WrittenLength
  /** The seat stands the same each time: it counts without a touch. Else it says what to expect, and no more. */
  readonly holds: boolean
  readonly seat: Seat | undefined
}

/**
 * A length from the bench holds where a face of the holder stands against the nose each time; a taper seats on its cone, and its flange
 * stands elsewhere each time (docs/domain.md, “Lengths and seats”). Undefined where none was measured.
 */
export function benchLength({
  holder,
  properties,
}: {
  readonly holder?: { readonly seat?: Seat | undefined } | undefined
  readonly properties?: { readonly LF?: WrittenLength | undefined } | undefined
}): BenchLength | undefined {
  const length = properties?.LF
  const seat = holder?.seat
  return length && { length, holds: seat === 'register-face', seat }
}
