import { useState } from 'react'
import { AddGauge } from '@/areas/shop/add-gauge'
import { useGauges } from '@/data/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { PickRow } from '@/kit/pick-row'
import type { SheetPageProps } from './sheet-pages'
import { withGauge } from './sheet-draft'

const SCHOOL_NOTES = {
  'setting-plane':
    'Every tool is touched to one fixed plane. H is where the machine then stands; the part’s height above the plane goes into Z of the work offset. A new part needs no tool again.',
  'gauge-line':
    'H is the true length of each tool, from the spindle nose to the tip: always positive, and a caliper can check it. The bare nose is touched once first.',
} as const

export function ReferencePage({ draft, change, problem }: SheetPageProps) {
  const { gauges } = useGauges()
  const [adding, setAdding] = useState(false)
  const picked = (id: string) => draft.gauges.some((gauge) => gauge.id === id)
  return (
    <>
      <Choice
        label="Tool lengths are …"
        value={draft.school}
        onChange={(school) => change({ ...draft, school })}
        options={[
          { value: 'setting-plane', label: 'to a setting plane' },
          { value: 'gauge-line', label: 'real lengths, from the nose' },
        ]}
        note={
          draft.school === 'gauge-line' || draft.school === 'setting-plane'
            ? SCHOOL_NOTES[draft.school]
            : undefined
        }
      />
      <Field
        label="The setting plane: what does the setter stand on?"
        value={draft.plane}
        onChange={(plane) => change({ ...draft, plane })}
        problem={problem('plane') && 'Say what it is: table, fixed jaw, block.'}
        note="It has to stay put while the tools are touched, and when the part changes."
        testID="plane"
      />
      <Column gap="$2">
        <Words as="note">Gauges at hand, each with its true size</Words>
        {gauges?.map((gauge) => (
          <PickRow
            key={gauge.id}
            picked={picked(gauge.id)}
            onPress={() => change(withGauge(draft, gauge))}
          >
            <Row flex={1} justifyContent="space-between">
              <Words strong={picked(gauge.id)}>{gauge.name}</Words>
              <Digits>
                {gauge.size.text} {gauge.size.unit}
              </Digits>
            </Row>
          </PickRow>
        ))}
      </Column>
      {adding ? (
        <AddGauge onDone={() => setAdding(false)} />
      ) : (
        <Button onPress={() => setAdding(true)}>Add a gauge</Button>
      )}
    </>
  )
}
