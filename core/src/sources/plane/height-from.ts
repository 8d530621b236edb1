import { scaleChain, sumChains, type Chain } from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { directionOf, statesRead } from '../../quantities/equation'
import { heightThen } from './height-then'
import { planeShift } from './plane-shift'
import type { SourceReader } from '../sources'

/** What a Z reading tells (height-then.ts) on the plane as it lies today: as often as the plane is among the unknowns. */
export function heightFrom(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  const then = heightThen(sources, reading)
  const planes = statesRead(reading).reduce(
    (sum, { state, coefficient }) => (state.of === 'plane' ? sum + coefficient : sum),
    0,
  )
  if (planes === 0) return then
  const shift = planeShift(document, sources, reading)
  return then && shift && sumChains(then, scaleChain(shift, planes * directionOf(reading)))
}
