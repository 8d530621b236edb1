import { chainOf, EMPTY_CHAIN, sumOfKnown, type Chain } from '../chain/chain'
import type { HomeFrames } from '../freshness/home-frames'
import type { MachineAxis } from '../address/row'
import type { LengthReader } from './gauge-chains'

/**
 * What a machine that lost its home and found it again by its marks shows more than it showed when
 * this was read.
 */
export const homeShiftOf = (
  frames: HomeFrames,
  reader: LengthReader,
  readAt: number,
  axis: MachineAxis,
): Chain | undefined =>
  sumOfKnown(
    [...frames.shiftFrom(frames.frameAt(readAt))].map(([event, times]) => {
      if (times === 0) return EMPTY_CHAIN
      const place = `facts.${event.place}.body.shift.${axis}`
      const name = `home found again in ${axis}`
      const length = reader.length(event.shift[axis], { place })
      return length && chainOf({ id: place, kind: 'declared', name, length }, 'home-shift', times)
    }),
  )
