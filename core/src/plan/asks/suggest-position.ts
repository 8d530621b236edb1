import type { SetupDocument } from '../../facts/document'
import type { DisplayedPosition } from '../../quantities/displayed'
import type { DisplayHabit } from '../../sheet/machine'
import { axisOfQuantity, isAxisPosition, type QuantityName } from '../../quantities/quantities'

/** Which number of the display is most likely read at a touch, and where its counter was zeroed, if that is known. */
export interface SuggestedPosition {
  readonly reads: DisplayHabit
  /** As it was at the touch before; absent where nobody said it yet. */
  readonly position?: DisplayedPosition
}

/**
 * The number of the display that is read: as at the last touch in this axis, else as people do on this machine. A control that copies
 * its counter into a length has it zeroed at what lengths are counted from.
 */
export function suggestPosition(
  document: SetupDocument,
  quantity: QuantityName,
): SuggestedPosition {
  const { machine, school, reference } = document.sheet
  if (!isAxisPosition(quantity)) return { reads: 'machine' }
  const axis = axisOfQuantity(quantity)
  const last = document.readings.findLast(
    (reading) =>
      reading.kept === undefined &&
      isAxisPosition(reading) &&
      axisOfQuantity(reading) === axis &&
      // Zeroed on the nose is said of a tip, and of nothing else.
      (reading.position?.of !== 'counter-from' || quantity.of === reading.of),
  )
  if (last !== undefined) return suggestedBy(last.position)
  if (quantity.of === 'tip-on-plane' && machine.control.lengthKey === 'copy-counter') {
    const tool =
      school === 'master-tool' ? reference?.masterTool : school === 'gauge-line' ? null : undefined
    if (tool !== undefined && tool !== quantity.tool)
      return { reads: 'counter', position: { of: 'counter-from', tool } }
  }
  return { reads: machine.reads ?? 'machine' }
}

const suggestedBy = (position: DisplayedPosition | undefined): SuggestedPosition => {
  if (position === undefined) return { reads: 'machine' }
  return { reads: position.of === 'work' ? 'work' : 'counter', position }
}
