import type { ReactNode } from 'react'
import type { FieldValues } from 'react-hook-form'
import { otherUnit, type LengthUnit } from '@pine/core/length'
import type { Gauge } from '@pine/core/sheet'
import { BLOCK_GRADES, GAUGE_FACTS, GAUGE_KINDS } from '@pine/core/touch'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'
import { useGauges } from '@/data/shop/shop'
import { useKeptForm, type KeptForm } from '@/data/device/use-kept-form'
import { FormEnd } from '@/kit/entry/form-end'
import { FormChoice, FormField, onlyDigits } from '@/kit/entry/form'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import {
  correctedGauge,
  gaugeDraft,
  gaugeOf,
  newGauge,
  takesStyli,
  turns,
  type GaugeDraft,
} from './gauge-draft'

const KNOWN = [
  { value: 'measured', label: 'marked or measured' },
  { value: 'roughly', label: 'only roughly' },
] as const

const GRADES = [
  { value: 'none', label: 'none is marked' },
  ...BLOCK_GRADES.map((value) => ({ value, label: value })),
] as const

/**
 * A gauge with its true size. Also used while a set-up is made.
 *
 * @param unit of the sheet: most gauges of a shop are in its unit.
 */
export function AddGauge({
  unit = newGauge.unit,
  onDone,
}: {
  readonly unit?: LengthUnit
  readonly onDone: (id?: string) => void
}) {
  const { add } = useGauges()
  const form = useKeptForm('gauge', { ...newGauge, unit }, gaugeOf, async (gauge) =>
    onDone((await add(gauge)).id),
  )
  return <GaugeForm form={form} takes="Keep this gauge" onLeave={() => onDone()} />
}

/** A gauge that is declared, as it is from now on: measured anew, or called otherwise. */
export function CorrectGauge({
  gauge,
  onDone,
}: {
  readonly gauge: Gauge
  readonly onDone: () => void
}) {
  const { change } = useGauges()
  const form = useKeptForm(
    `gauge:${gauge.id}`,
    gaugeDraft(gauge),
    (draft) => correctedGauge(gauge, draft),
    async ({ gauge: corrected, reason }) => {
      await change(gauge.id, corrected, { reason })
      onDone()
    },
  )
  return (
    <GaugeForm form={form} takes="It is this from now on" onLeave={onDone}>
      <FormField
        control={form.control}
        name="reason"
        label="Why"
        hint="measured against the block"
        note="Set-ups that use it keep the size on their sheet until somebody updates it there."
        testID="gauge-reason"
      />
    </GaugeForm>
  )
}

/** What both forms have: a gauge while it is declared. */
function GaugeForm<Result extends FieldValues>({
  form: { control, watch, setValue, submit, failure },
  takes,
  onLeave,
  children,
}: {
  readonly form: KeptForm<GaugeDraft, Result>
  readonly takes: string
  readonly onLeave: () => void
  readonly children?: ReactNode
}) {
  const [kind, unit, styli] = watch(['kind', 'unit', 'styli'])
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
      <FormChoice
        control={control}
        name="known"
        label="How well is that known?"
        options={KNOWN}
        note="Known only roughly it counts where it cancels: beneath the nose and the tip alike, at both of two faces."
      />
      {kind === 'gauge-block' && (
        <FormChoice
          control={control}
          name="grade"
          label="Its grade by ISO 3650"
          options={GRADES}
          note="It says how far it may be from its mark, where no certificate tells its true size."
        />
      )}
      <FormField
        {...length}
        name="uncertainty"
        label="Standard uncertainty of that, where a certificate says it"
        note="Half of what is stated with k = 2. Left empty, what is usual for its kind counts."
        testID="gauge-uncertainty"
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
      {kind === 'cutter' && (
        <FormField
          control={control}
          name="halfAngle"
          digits
          label="Half its angle in degrees, where it is tapered or a V"
          note="Left empty, it is straight. Its full diameter stands above the tip: the touch says how far."
          testID="gauge-half-angle"
        />
      )}
      {turns(kind) && (
        <FormField
          control={control}
          name="maxSpeed"
          digits
          clean={onlyDigits}
          label="Highest rpm that it bears"
          note="As marked on it, or in its leaflet. A program that leaves a higher speed on the control is pointed out."
          testID="gauge-speed"
        />
      )}
      {takesStyli(kind) && (
        <Column gap="$2">
          <Words strong>Its styli, and how long it is with each</Words>
          <Words as="note">
            Nose to tip, under its preload. With another stylus it is another tool; its sheet asks
            which one is in.
          </Words>
          {styli.map((_, index) => (
            <Row key={index} gap="$2" alignItems="flex-start">
              <FormField
                control={control}
                name={`styli.${index}.0`}
                label={`Stylus ${index + 1}`}
                hint="30 mm, ball 4"
                testID={`stylus-name-${index}`}
              />
              <FormField
                {...length}
                name={`styli.${index}.1`}
                label="Length with it"
                testID={`stylus-length-${index}`}
              />
            </Row>
          ))}
        </Column>
      )}
      <FormField
        control={control}
        name="name"
        label="What you call it"
        hint={GAUGE_NAMES[kind]}
        testID="gauge-name"
      />
      {children}
      <FormEnd failure={failure} takes={takes} onLeave={onLeave} onTake={submit} />
    </Card>
  )
}
