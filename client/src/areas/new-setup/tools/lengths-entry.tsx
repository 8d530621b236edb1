import { useState } from 'react'
import { SCHOOLS } from '@pine/core/schools'
import { SCHOOL_NAMES, SCHOOL_NOTES } from '@pine/core/words'
import { Allowed } from '@/areas/people/allowed'
import { AddGauge } from '@/areas/shop/add-gauge'
import { useGauges } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { PickRow } from '@/kit/entry/pick-row'
import type { SheetPageProps } from '../sheet-page-props'
import { ReferenceEntry } from '../zero/reference-entry'
import { withGauge, withSchool } from '../sheet-draft'

export function LengthsEntry({ draft, change, problem }: SheetPageProps) {
  const { gauges } = useGauges()
  const [adding, setAdding] = useState(false)
  const picked = (id: string) => draft.gauges.some((gauge) => gauge.id === id)
  return (
    <>
      <Choice
        label="Tool lengths are …"
        value={draft.school}
        onChange={(school) => change(withSchool(draft, school))}
        options={SCHOOLS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
        note={SCHOOL_NOTES[draft.school]}
      />
      <ReferenceEntry draft={draft} change={change} problem={problem} />
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
                {gauge.sizeRough === true ? 'about ' : ''}
                {gauge.size.text} {gauge.size.unit}
              </Digits>
            </Row>
          </PickRow>
        ))}
      </Column>
      {adding ? (
        <AddGauge unit={draft.unit} onDone={() => setAdding(false)} />
      ) : (
        <Allowed to="declare" otherwise="A gauge that is not here yet is added by a lead.">
          <Button onPress={() => setAdding(true)}>Add a gauge</Button>
        </Allowed>
      )}
    </>
  )
}
