import type { MachineAxis } from '../../address/row'
import { chainOf, EMPTY_CHAIN, type Chain } from '../../chain/chain'
import type { SetupDocument } from '../../facts/document'
import type { LengthReader } from '../gauge-chains'

/**
 * What the control adds to every work offset; an empty chain where nothing is declared.
 *
 * @param before place in the stream at which it is asked; now, where it is not said.
 */
export function externalOffsetOf(
  { sheet, events }: Pick<SetupDocument, 'sheet' | 'events'>,
  reader: LengthReader,
  axis: MachineAxis,
  before = Infinity,
): Chain | undefined {
  const event = events.findLast(
    (one) => one.kind === 'external-changed' && one.axis === axis && one.place < before,
  )
  const [written, place] =
    event?.kind === 'external-changed'
      ? [event.value, `facts.${event.place}.body.value`]
      : [sheet.machine.externalOffset?.[axis], `sheet.machine.externalOffset.${axis}`]
  if (written === undefined) return EMPTY_CHAIN
  const length = reader.length(written, { place })
  return (
    length &&
    chainOf({ id: place, kind: 'declared', name: 'external offset', length }, 'external-offset')
  )
}
