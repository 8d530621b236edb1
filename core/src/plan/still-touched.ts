import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { lengthAddressOf } from '../sheet/tool-rows'
import { rowsFoundBy, standingRows } from '../sources/standing-rows'
import type { Step } from './order/step'

/**
 * Whether a step is still there where rows stand as the control shows them: what such a row would be touched for is not asked, unless
 * it was touched all the same.
 */
export function isStillTouched(
  document: Pick<SetupDocument, 'sheet' | 'events' | 'readings'>,
): (step: Step) => boolean {
  const standing = standingRows(document)
  if (standing.size === 0) return () => true
  const { sheet } = document
  const lengths = sheet.tools.map(({ number }) => lengthAddressOf(sheet, number))
  const allLengths = lengths.every((address) => address !== undefined && standing.has(address))
  return (step) => {
    if (step.does !== 'read' || standingReadings(document, step.quantity).length > 0) return true
    const rows = rowsFoundBy(step.quantity, sheet)
    // The plane itself tells lengths: it is not asked for where all of them stand.
    if (rows.length === 0) return !(step.quantity.of === 'nose-on-plane' && allLengths)
    return !rows.every((address) => standing.has(address))
  }
}
