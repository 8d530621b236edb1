import type { SetupDocument } from '../../facts/document'
import { axisOfQuantity, moduleOf, type QuantityName } from '../../quantities/quantities'
import { isTooLongForSetter } from '../../sheet/fixed-setter'
import type { GaugeKind } from '../../touch/gauge-kinds'
import { asksForContact } from './reading-fields'

/**
 * The gauges to offer for a touch: those that were planned for it, else those of the last touch of the same kind, else the
 * usual one that is at hand. A person may always choose others.
 */
export function suggestGauges(document: SetupDocument, quantity: QuantityName): readonly string[] {
  const planned = plannedGauges(document, quantity)
  if (planned !== undefined) return planned
  const inZ = axisOfQuantity(quantity) === 'Z'
  const isSensor = standsAsSensor(document, quantity)
  const alike = document.readings.findLast(
    (reading) =>
      reading.of === quantity.of &&
      (axisOfQuantity(reading) === 'Z') === inZ &&
      standsAsSensor(document, reading) === isSensor,
  )
  // Where its cycle begins too low for this tool, a fixed setter is not what lies nearest.
  const isTooLong = 'tool' in quantity && isTooLongForSetter(document.sheet, quantity.tool)
  if (alike !== undefined && !(isTooLong && asksForContact(document, alike.with))) return alike.with
  // A sprung setter is for tools; a sensor of known length goes on the solid plane itself.
  if (isSensor) return []
  const usual = moduleOf(quantity).usualGauges
  const held = inZ ? heldInZ(document, usual) : undefined
  if (held !== undefined && !(isTooLong && asksForContact(document, held))) return held
  for (const kind of usual) {
    const gauge = document.sheet.gauges.find((one) => one.kind === kind)
    if (gauge !== undefined && !(isTooLong && kind === 'fixed-setter')) return [gauge.id]
  }
  return []
}

/**
 * What lay beneath the last touch in Z, where it serves here as well: who works with a block has it in hand, and paper that is named in
 * its place is an inch off.
 */
function heldInZ(
  { readings, sheet }: SetupDocument,
  usual: readonly GaugeKind[],
): readonly string[] | undefined {
  const last = readings.findLast(
    (reading) => axisOfQuantity(reading) === 'Z' && reading.of !== 'tool-diameter',
  )
  const kinds = last?.with.map((id) => sheet.gauges.find((one) => one.id === id)?.kind)
  const serves = kinds?.every((kind) => kind !== undefined && usual.includes(kind)) === true
  return serves && last !== undefined && last.with.length > 0 ? last.with : undefined
}

/** What a touch of the tip on the plane was planned to be made with. */
const plannedGauges = ({ sheet }: SetupDocument, quantity: QuantityName) =>
  quantity.of === 'tip-on-plane'
    ? sheet.tools.find(({ number }) => number === quantity.tool)?.touchWith
    : undefined

/** A tool of known length that touches: most often a sensor. */
const standsAsSensor = ({ sheet }: SetupDocument, quantity: QuantityName): boolean =>
  'tool' in quantity &&
  sheet.tools.some(({ number, length }) => number === quantity.tool && length !== undefined)
