import { EMPTY_CHAIN, subtractChains, sumOfKnown, type Chain } from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { heightThen } from './height-then'
import { bridgesOver } from './plane-bridges'
import type { SourceReader } from '../sources'

/**
 * How much higher the plane lies now than when a reading was taken on it, as far as re-bases tell: nothing for what was
 * read after it moved, or that no re-base carries over.
 */
export function planeShift(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  if (document.events.length === 0) return EMPTY_CHAIN
  return sumOfKnown(
    bridgesOver(document, sources, reading).map(({ before, after }) => {
      const [was, is] = [heightThen(sources, before), heightThen(sources, after)]
      return was && is && subtractChains(is, was)
    }),
  )
}
