import { EMPTY_CHAIN, type Chain } from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import type { PlanAxis } from '../../touch/touch'
import { asUsedIn, type SourceReader } from '../sources'

/** How far the spindle axis stands off a face that was touched: the tip's radius, or nothing where it was moved on by that. */
export const standOffOf = (
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
  axis: PlanAxis,
): Chain | undefined =>
  reading.movedOver === true
    ? EMPTY_CHAIN
    : sources.gaugeSum(reading.with, axis, asUsedIn(reading, document))
