import { EMPTY_CHAIN, subtractChains, sumChains, type Chain } from '../chain/chain'
import type { Reading, SetupDocument } from '../facts/document'
import { rebaseOf } from '../facts/rebase'
import { heightThen } from './height-then'
import type { SourceReader } from './sources'

/**
 * How much higher the plane lies now than when a reading was taken on it, as far as re-bases tell:
 * nothing for what was read after it moved.
 */
export function planeShift(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  const shifts = document.events.map((event) => {
    const rebase = event.kind === 'rebased' ? rebaseOf(document, event) : undefined
    if (rebase === undefined || reading.place > rebase.moved.place) return EMPTY_CHAIN
    const [before, after] = [rebase.before, rebase.after].map((touch) => heightThen(sources, touch))
    return before && after && subtractChains(after, before)
  })
  return shifts.some((shift) => shift === undefined)
    ? undefined
    : sumChains(...shifts.filter((shift) => shift !== undefined))
}
