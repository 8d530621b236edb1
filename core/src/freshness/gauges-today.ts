import type { SetupDocument } from '../facts/document'
import { readLength } from '../length/read-length'
import type { WrittenLength } from '../length/length'
import type { Gauge } from '../sheet/gauge'
import { measuredAt } from './gauge-sizes'

/** A gauge that the shop declares with another size than this set-up counts with. */
export interface GaugeElsewise {
  readonly gauge: string
  readonly name: string
  readonly here: WrittenLength
  readonly shop: WrittenLength
  /** Nobody had measured it when the sheet was written: its size is not known here, whatever its digits say. */
  readonly isRoughHere: boolean
}

/**
 * The gauges of a set-up that have another size in the shop today: corrected there since the sheet was written, or measured there for
 * the first time, and not taken over here.
 */
export function gaugesElsewise(
  { sheet, events, length }: Pick<SetupDocument, 'sheet' | 'events' | 'length'>,
  today: readonly Gauge[],
): readonly GaugeElsewise[] {
  return sheet.gauges.flatMap(({ id, name, size, sizeRough }) => {
    const now = today.find((one) => one.id === id)
    const measuredHere = measuredAt(events, id, length)?.size
    if (now === undefined) return []
    const [here, shop] = [measuredHere ?? size, now.size]
    const [one, other] = [readLength(here), readLength(shop)]
    if (!one.ok || !other.ok) return []
    const isRoughHere = sizeRough === true && measuredHere === undefined
    const isMeasuredNow = isRoughHere && now.sizeRough !== true
    const differs = one.value.nm !== other.value.nm || isMeasuredNow
    return differs ? [{ gauge: id, name, here, shop, isRoughHere }] : []
  })
}
