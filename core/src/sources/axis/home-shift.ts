import { chainOf, EMPTY_CHAIN, sumOfKnown, type Chain } from '../../chain/chain'
import type { SetupDocument } from '../../facts/document'
import { NANOMETRES_PER } from '../../length/length'
import { nanometresOf } from '../../length/read-length'
import { homeFramesOf } from '../../freshness/home-frames'
import type { MachineAxis } from '../../address/row'
import type { LengthReader } from '../gauge-chains'

/**
 * What a machine that lost its home and found it again shows more than it showed when this was read: by its marks as they were read,
 * by a place that was touched again as surely as two touches are.
 */
export function homeShiftOf(
  document: Pick<SetupDocument, 'events' | 'checkOffs'>,
  reader: LengthReader,
  readAt: number,
  axis: MachineAxis,
): Chain | undefined {
  const { shiftFrom, frameAt } = homeFramesOf(document, axis)
  return sumOfKnown(
    [...shiftFrom(frameAt(readAt))].map(([event, times]) => {
      const by = event.shift[axis]
      if (times === 0 || by === undefined) return EMPTY_CHAIN
      const place = `facts.${event.place}.body.shift.${axis}`
      const name = `home found again in ${axis}`
      const length = reader.length(by, { place })
      const sure = nanometresOf(event.uncertainty?.[axis])
      const uncertainty = sure === undefined ? undefined : { mm: sure / NANOMETRES_PER.mm }
      return (
        length &&
        chainOf(
          {
            ...{ id: place, kind: 'declared', name, length },
            ...(uncertainty && { uncertainty: { ...uncertainty, degreesOfFreedom: Infinity } }),
          },
          'home-shift',
          times,
        )
      )
    }),
  )
}
