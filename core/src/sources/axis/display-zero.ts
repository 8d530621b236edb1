import { registerName } from '../../address/address'
import type { MachineAxis } from '../../address/row'
import { chainOf, EMPTY_CHAIN, scaleChain, sumOfKnown, type Chain } from '../../chain/chain'
import { toNanometres } from '../../length/length'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { isRenewed } from '../../freshness/sensitivity'
import { placeAmong } from '../../freshness/order'
import type { LengthReader } from '../gauge-chains'

/** Reads lengths, and knows what the control adds to every row. */
interface DisplayReader extends LengthReader {
  externalOffset(axis: MachineAxis, before?: number): Chain | undefined
}

/** What has to be added to the number that was read on the display to give a machine position. */
export function displayZero(
  document: SetupDocument,
  reader: DisplayReader,
  reading: Reading,
  axis: MachineAxis,
): Chain | undefined {
  const { position } = reading
  switch (position?.of) {
    case undefined:
    case 'counter-from':
      return EMPTY_CHAIN
    case 'counter':
      return counterZero(document, reader, reading, axis)
    case 'work': {
      const { row, holds, length } = position
      const place = `facts.${reading.place}.body.position`
      const shown = holds[axis]
      const rowHolds = shown && reader.length(shown, { place: `${place}.holds.${axis}` })
      const name = registerName(`${row}.${axis}`)
      const inRow =
        rowHolds &&
        chainOf(
          // Two readings with the same number in the same row are counted from the same place.
          { id: `${name} shows ${rowHolds.nm}`, kind: 'declared', name, length: rowHolds },
          'active-row',
        )
      const external = reader.externalOffset(axis, placeAmong(reading, document.events))
      if (axis !== 'Z' || length === undefined) return sumOfKnown([inRow, external])
      const lengthHolds = reader.length(length.holds, { place: `${place}.length.holds` })
      const { address } = length
      const active =
        lengthHolds &&
        chainOf(
          {
            id: `${address} shows ${lengthHolds.nm}`,
            kind: 'declared',
            name: address,
            length: lengthHolds,
          },
          'active-length',
        )
      const isSubtracted = document.sheet.machine.control.lengthSign === 'subtracted'
      return sumOfKnown([
        inRow,
        external,
        active && (isSubtracted ? scaleChain(active, -1) : active),
      ])
    }
  }
}

/**
 * Where the counter shows zero, in machine position: what was read when it was zeroed, or an unknown that two readings of one zeroing
 * have in common.
 */
function counterZero(
  { events }: SetupDocument,
  reader: LengthReader,
  reading: Reading,
  axis: MachineAxis,
): Chain | undefined {
  const zeroed = events.findLast(
    (event) =>
      isRenewed({ of: 'counter', axis }, event) && event.place < placeAmong(reading, events),
  )
  const name = `zero of the ${axis} counter`
  if (zeroed?.kind === 'counter-zeroed' && zeroed.machinePosition !== undefined) {
    const place = `facts.${zeroed.place}.body.machinePosition`
    const length = reader.length(zeroed.machinePosition, { place })
    return length && chainOf({ id: place, kind: 'declared', name, length }, 'counter-zero')
  }
  const length = { nm: toNanometres(0), unit: 'mm', decimals: 0, text: '?' } as const
  return chainOf(
    {
      id: `counter ${axis} ${zeroed?.place ?? 'first'}`,
      kind: 'declared',
      name,
      length,
      isUnknown: true,
    },
    'counter-zero',
  )
}
