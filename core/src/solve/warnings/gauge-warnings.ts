import type { SetupDocument } from '../../facts/document'
import { measuredAt } from '../../freshness/gauge-sizes'
import { NANOMETRES_PER, toNanometres } from '../../length/length'
import { readLength } from '../../length/read-length'
import type { Warning } from '../../registers/warning'
import { explain } from '../../slips/explain'

/**
 * How far a gauge that is still that gauge may be from what is marked on it: a fifth of a thin one, half a millimetre of a
 * thick one (common practice, no source). Wear and knocks are hundredths.
 */
const SHARE = 0.2
const [LEAST_MM, MOST_MM] = [0.05, 0.5]

/** Gauges that were measured as something else than is marked on them: another gauge, or a slip in the number. */
export function gaugeWarnings({
  events,
  length,
  sheet: { gauges, machine },
}: SetupDocument): readonly Warning[] {
  return gauges.flatMap((gauge): readonly Warning[] => {
    const measured = measuredAt(events, gauge.id, length)
    const [marked, found] = [readLength(gauge.size), measured && readLength(measured.size)]
    if (!marked.ok || !found?.ok) return []
    const mm = NANOMETRES_PER.mm
    const limit = Math.min(MOST_MM * mm, Math.max(LEAST_MM * mm, SHARE * marked.value.nm))
    const amount = toNanometres(found.value.nm - marked.value.nm)
    if (Math.abs(amount) <= limit) return []
    const { unit } = found.value
    return [
      {
        code: 'gauge-size-differs',
        place: gauge.name,
        amount,
        limit: toNanometres(limit),
        causes: explain({
          expected: marked.value.nm,
          observed: found.value.nm,
          unit,
          decimals: machine.control.decimals[unit],
          // It was measured, not copied: a slip is told by its size.
          within: toNanometres(limit),
          kind: 'size',
        }),
      },
    ]
  })
}
