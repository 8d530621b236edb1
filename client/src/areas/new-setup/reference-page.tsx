import { useState } from 'react'
import type { School } from '@pine/core/schools'
import { AddGauge } from '@/areas/shop/add-gauge'
import { useGauges } from '@/data/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { PickRow } from '@/kit/pick-row'
import type { SheetPageProps } from './sheet-page-props'
import { withGauge, withSchool } from './sheet-draft'

const SCHOOL_NOTES: Readonly<Record<School, string>> = {
  'setting-plane':
    'Every tool is touched to one fixed plane. H is where the machine then stands; the part’s height above the plane goes into Z of the work offset. A new part needs no tool again.',
  'gauge-line':
    'H is the true length of each tool, from the spindle nose to the tip: always positive, and a caliper can check it. The bare nose is touched once first.',
  'part-top':
    'Every tool is touched on the raw top of this part. Quick for one part with few tools; the next part needs every tool again.',
  'master-tool':
    'One tool is the master; H of every other is how much longer or shorter it is. A re-set master makes them all unsound.',
}

export function ReferencePage({ draft, change, problem }: SheetPageProps) {
  const { gauges } = useGauges()
  const [adding, setAdding] = useState(false)
  const picked = (id: string) => draft.gauges.some((gauge) => gauge.id === id)
  return (
    <>
      <Choice
        label="Tool lengths are …"
        value={draft.school}
        onChange={(school) => change(withSchool(draft, school))}
        options={[
          { value: 'setting-plane', label: 'to a setting plane' },
          { value: 'gauge-line', label: 'real lengths, from the nose' },
          { value: 'part-top', label: 'to the top of this part' },
          { value: 'master-tool', label: 'compared with a master tool' },
        ]}
        note={SCHOOL_NOTES[draft.school]}
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
