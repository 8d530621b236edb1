import type { SetupDocument } from '../facts/document'
import { readLength } from '../length/read-length'
import type { WrittenLength } from '../length/length'
import type { Gauge } from '../sheet/sheet'
import { measuredAt } from './gauge-sizes'

/** A gauge that the shop declares with another size than this set-up counts with. */
export interface GaugeElsewise {
  readonly gauge: string
  readonly name: string
  readonly here: WrittenLength
  readonly shop: WrittenLength
}

/**
 * The gauges of a set-up that have another size in the shop today: corrected there since the sheet was written, and not taken over
 * here.
 */
export function gaugesElsewise(
  { sheet, events, length }: Pick<SetupDocument, 'sheet' | 'events' | 'length'>,
  today: readonly Gauge[],
): readonly GaugeElsewise[] {
  return sheet.gauges.flatMap(({ id, name, size }) => {
    const shop = today.find((one) => one.id === id)?.size
    const here = measuredAt(events, id, length)?.size ?? size
    if (shop === undefined) return []
    const [one, other] = [readLength(here), readLength(shop)]
    const differs = one.ok && other.ok && one.value.nm !== other.value.nm
    return differs ? [{ gauge: id, name, here, shop }] : []
  })
}
