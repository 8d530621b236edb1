import type { LengthUnit } from '../../length/length'
import type { Reversal } from '../../shop/reversal'
import { writeMm } from '../write-mm'

/** What a reversal test tells: “The screw loses 0.012 mm (± 0.003 mm, by 5 pairs).” */
export function describeReversal(
  { meanMm, withinMm, pairs, isTurned }: Reversal,
  unit: LengthUnit,
): string {
  if (isTurned)
    return 'The display stands further where the axis came towards minus: look whether the two columns were filled in the other way round.'
  const [mean, within] = [meanMm, withinMm].map((one) => `${writeMm(one, unit)} ${unit}`)
  return meanMm <= withinMm
    ? `No backlash shows: ${mean}, where ± ${within} may be chance.`
    : `The screw loses ${mean} (± ${within}, by ${pairs} pairs).`
}

/** How it is done, one thing after another, and what to mind. */
export const REVERSAL_STEPS: readonly string[] = [
  'Spindle stopped. Stand an indicator on the table against the spindle, so that this axis moves its needle.',
  'Move well past the place, come back towards plus (the display counts up) until the needle is at zero: read the display.',
  'Go on past it, come back towards minus (it counts down) until the needle is at zero again: read the display.',
  'Five times or more, at different places along the travel where it may be worn.',
]
