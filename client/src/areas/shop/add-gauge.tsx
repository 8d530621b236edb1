import { otherUnit } from '@pine/core/length'
import { GAUGE_FACTS, GAUGE_KINDS } from '@pine/core/touch'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'
import { useGauges } from '@/data/shop'
import { useKeptForm } from '@/data/use-kept-form'
import { FormEnd } from '@/kit/form-end'
import { FormChoice, FormField, onlyDigits } from '@/kit/form'
import { Card } from '@/kit/surfaces'
import { gaugeOf, newGauge, turns } from './gauge-draft'

/** A gauge with its true size. Also used while a set-up is made. */
export function AddGauge({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useGauges()
  const { control, watch, setValue, submit, failure } = useKeptForm(
    'gauge',
    newGauge,
    gaugeOf,
    async (gauge) => onDone((await add(gauge)).id),
  )
  const [kind, unit] = watch(['kind', 'unit'])
  const length = { control, unit, onUnit: () => setValue('unit', otherUnit(unit)) }
  return (
    <Card padded gap="$3">
      <FormChoice
        control={control}
        name="kind"
        label="What is it?"
        options={GAUGE_KINDS.map((value) => ({ value, label: GAUGE_NAMES[value] }))}
      />
      <FormField
        {...length}
        name="size"
        label={`Its ${MEASURE_NAMES[GAUGE_FACTS[kind].measure]}, as marked or measured`}
        testID="gauge-size"
      />
      {kind === 'plate' && (
        <FormField
          {...length}
          name="wall"
          label="Thickness of its wall, which counts in X and Y"
          note="Left empty, it is used in Z alone."
          testID="gauge-wall"
        />
      )}
      {turns(kind) && (
        <FormField
          control={control}
          name="maxSpeed"
          digits
          clean={onlyDigits}
          label="Turns a minute that it bears"
          note="As marked on it, or in its leaflet. A program that leaves more on the control is told of."
          testID="gauge-speed"
        />
      )}
      <FormField
        control={control}
        name="name"
        label="What you call it"
        hint={GAUGE_NAMES[kind]}
        testID="gauge-name"
      />
      <FormEnd failure={failure} takes="Keep this gauge" onLeave={() => onDone()} onTake={submit} />
    </Card>
  )
}
