import { valueOf } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import { NANOMETRES_PER } from '../length/length'
import { readLength } from '../length/read-length'
import type { SourceReader } from './sources'

/** Where a touch in the plane was made, as it was read: in millimetres of machine position, backlash and all. */
export function pointRead(
  sources: SourceReader,
  reading: Extract<Reading, { of: 'circle-point' }>,
): { readonly x: number; readonly y: number } | undefined {
  const [x, y] = [readLength(reading.read), readLength(reading.readY)]
  const [zeroX, zeroY] = [sources.displayZero(reading, 'X'), sources.displayZero(reading, 'Y')]
  if (!x.ok || !y.ok || !zeroX || !zeroY) return undefined
  return {
    x: (x.value.nm + valueOf(zeroX)) / NANOMETRES_PER.mm,
    y: (y.value.nm + valueOf(zeroY)) / NANOMETRES_PER.mm,
  }
}
