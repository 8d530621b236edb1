import type { SetupDocument } from '../facts/document'
import { toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { axisOfQuantity, inMachinePosition, type QuantityName } from '../quantities/quantities'
import type { FieldKey } from '../quantities/fields'

/**
 * Whether a number that is read at a touch can only lie below zero, as most machine positions do where home is at the end of the
 * travel: nobody has to type the minus then. A counter that may be zeroed anywhere is never sure.
 *
 * @param field which of the numbers of the reading.
 * @param rowAtZero what the row that is read instead shows where the axis stands at machine zero; the position itself where it is
 * left out.
 */
export function isSurelyBelowZero(
  { sheet: { machine } }: Pick<SetupDocument, 'sheet'>,
  quantity: QuantityName,
  field: FieldKey,
  rowAtZero: Nanometres = toNanometres(0),
): boolean {
  if (!inMachinePosition(quantity) || (field !== 'read' && field !== 'readY')) return false
  const axis = field === 'readY' ? 'Y' : axisOfQuantity(quantity)
  const highest = nanometresOf(machine.travels?.[axis]?.max)
  return highest !== undefined && highest + rowAtZero <= 0
}
