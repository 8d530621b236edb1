import { scaleChain, subtractChains, type Chain } from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import { directionOf } from '../../quantities/equation'
import { countedFrom } from '../../quantities/displayed'
import { moduleOf } from '../../quantities/quantities'
import { planeUnder } from '../../touch/touch'
import type { SourceReader } from '../sources'

/**
 * What a Z reading tells of the unknowns that it was made for, counted upwards: what was read, freed of what lay between
 * and of what the screw shows too much. A counter shows just that when it was zeroed at the other end, and the same with
 * the other sign when it was zeroed at its own.
 */
export function heightThen(sources: SourceReader, reading: Reading): Chain | undefined {
  const read = sources.reading(reading)
  if (moduleOf(reading).readIn === 'counter' || countedFrom(reading) !== undefined) {
    const between = sources.gapBetween(reading)
    return read && between && subtractChains(scaleChain(read, directionOf(reading)), between)
  }
  const gauges = sources.gaugesBeneath(reading)
  return read && gauges && planeUnder(read, gauges)
}
