import type { SetupDocument } from '../setup/document'
import { axisOfQuantity, type QuantityName } from '../setup/quantity'
import type { GaugeKind } from '../touch/gauge-kinds'

/** What is usually between, by kind of touch, the best first. */
const USUAL: Readonly<Record<QuantityName['of'], readonly GaugeKind[]>> = {
  'nose-on-plane': [
    'height-setter',
    'light-setter',
    'fixed-setter',
    'gauge-block',
    'pin',
    'shim',
    'paper',
  ],
  'tip-on-plane': [
    'height-setter',
    'light-setter',
    'fixed-setter',
    'gauge-block',
    'pin',
    'shim',
    'paper',
  ],
  face: ['probe', 'dial-sensor', 'edge-finder', 'wobbler', 'pin', 'cutter'],
  'circle-point': ['probe', 'dial-sensor', 'edge-finder', 'wobbler', 'pin', 'cutter'],
  'edge-point': ['probe', 'dial-sensor', 'edge-finder', 'wobbler', 'pin', 'cutter'],
  sweep: [],
  'nose-on-part': ['paper', 'shim', 'card', 'gauge-block'],
  'tip-on-part': ['plate', 'paper', 'shim', 'card'],
  'tool-diameter': [],
  'fixture-difference': [],
  'carried-difference': [],
}

/**
 * The gauges to offer for a touch: those of the last touch of the same kind, else the usual one
 * that is at hand. A person may always choose others.
 */
export function suggestGauges(document: SetupDocument, quantity: QuantityName): readonly string[] {
  const alike = document.readings.findLast(
    (reading) => reading.of === quantity.of && axisOfQuantity(reading) === axisOfQuantity(quantity),
  )
  if (alike !== undefined) return alike.with
  for (const kind of USUAL[quantity.of]) {
    const gauge = document.sheet.gauges.find((one) => one.kind === kind)
    if (gauge !== undefined) return [gauge.id]
  }
  return []
}
