import { scaleChain, type Chain } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { directionOf } from '../quantities/equation'
import { axisOfQuantity } from '../quantities/quantities'
import { sideOf } from '../sheet/offset-plan'
import { approachDirection, axisOfFace, faceBeyond } from '../touch/touch'
import { heightFrom } from './plane/height-from'
import type { SourceReader } from './sources'
import { standOffOf } from './axis/stand-off'

/**
 * Σ coefficient × state of a reading's equation as it tells it: freed of what lay between, of the tip's radius, of backlash.
 * Undefined for one that tells it only together with others: a touch around a circle, a sweep, an edge that may be turned.
 */
export function stateSum(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  if (reading.of === 'face') {
    const axis = axisOfFace(reading.face)
    const plan = document.sheet.offsets.find(({ row }) => row === reading.row)?.[axis]
    const read = sources.reading(reading)
    const standOff = standOffOf(document, sources, reading, axis)
    const direction = approachDirection(reading.face, plan ? sideOf(plan) : 'outside')
    return read && standOff && faceBeyond(read, standOff, direction)
  }
  if (reading.of === 'tool-diameter') return sources.reading(reading)
  if (axisOfQuantity(reading) !== 'Z') return undefined
  const height = heightFrom(document, sources, reading)
  return height && scaleChain(height, directionOf(reading))
}
