import type { GaugeHistory } from '@pine/contract'
import type { Gauge } from '@pine/core/sheet'
import { useGaugeChecks } from '@/data/shop/gauge-checks'
import { useGauges } from '@/data/shop/shop'
import { useKeptForm } from '@/data/device/use-kept-form'
import { FormEnd } from '@/kit/entry/form-end'
import { FormField, onlyDigits } from '@/kit/entry/form'
import { Card } from '@/kit/surfaces'
import { watchDraft, watchOf } from './checks-view'

/** What a gauge may be off, and how often it is checked at least. */
export function WatchEntry({
  history,
  onDone,
}: {
  readonly history: GaugeHistory
  readonly onDone: () => void
}) {
  const { id, gauge, watch } = history.gauge
  const { unit } = gauge.size
  const { change } = useGauges()
  const { again } = useGaugeChecks(id)
  const { control, submit, failure } = useKeptForm(
    `watch:${id}`,
    watchDraft(watch, unit),
    (draft) => watchOf(draft, unit),
    async ({ watch: declared, reason }) => {
      await change(id, gauge as Gauge, { reason, watch: declared })
      await again()
      onDone()
    },
  )
  return (
    <Card padded gap="$3">
      <FormField
        control={control}
        name="limit"
        label="Tolerance ±"
        unit={unit}
        note="A check that is further off makes suspect what was measured with it."
        testID="watch-limit"
        digits
      />
      <FormField
        control={control}
        name="days"
        digits
        clean={onlyDigits}
        label="Checked at least every … days"
        note="Left empty, its own drift alone says how often."
        testID="watch-days"
      />
      <FormField control={control} name="reason" label="Why" testID="watch-reason" />
      <FormEnd failure={failure} takes="Hold its checks to this" onLeave={onDone} onTake={submit} />
    </Card>
  )
}
