import type { GaugeHistory } from '@pine/contract'
import { useGaugeChecks } from '@/data/shop/gauge-checks'
import { useKeptForm } from '@/data/device/use-kept-form'
import { FormEnd } from '@/kit/entry/form-end'
import { FormField } from '@/kit/entry/form'
import { Card } from '@/kit/surfaces'
import { checkOf, newCheck } from './checks-view'

/** One check: what it reads, held against what. */
export function CheckEntry({
  history,
  onDone,
}: {
  readonly history: GaugeHistory
  readonly onDone: () => void
}) {
  const { id, gauge } = history.gauge
  const { unit } = gauge.size
  const { add } = useGaugeChecks(id)
  const { control, submit, failure } = useKeptForm(
    `check:${id}`,
    newCheck(history),
    (draft) => checkOf(draft, unit),
    async (check) => {
      await add(check)
      onDone()
    },
  )
  return (
    <Card padded gap="$3">
      <FormField
        control={control}
        name="read"
        label="What it reads"
        unit={unit}
        testID="check-read"
        digits
      />
      <FormField
        control={control}
        name="against"
        label="Held against"
        hint="the 50 mm gauge block"
        testID="check-against"
      />
      <FormField
        control={control}
        name="master"
        label="How large that truly is"
        unit={unit}
        testID="check-master"
        digits
      />
      <FormEnd failure={failure} takes="Keep this check" onLeave={onDone} onTake={submit} />
    </Card>
  )
}
