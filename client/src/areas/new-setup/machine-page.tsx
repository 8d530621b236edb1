import { useState } from 'react'
import { Allowed } from '@/areas/people/allowed'
import { shopMachineOf } from '@pine/core/sheet'
import { AddMachine } from '@/areas/shop/add-machine'
import { useMachines } from '@/data/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Words } from '@/kit/words'
import type { SheetPageProps } from './sheet-page-props'
import { withUnit } from './sheet-draft'

export function MachinePage({ draft, change, problem }: SheetPageProps) {
  const { machines } = useMachines()
  const [adding, setAdding] = useState(false)
  const chosen = shopMachineOf(machines ?? [], draft)?.id
  const pick = (id: string) => {
    const entry = machines?.find((one) => one.id === id)
    if (entry) change({ ...draft, machineId: id, machine: entry.machine })
  }
  return (
    <>
      <Field
        label="The job"
        value={draft.name}
        onChange={(name) => change({ ...draft, name })}
        problem={problem('name') && 'Give the job a name that you will find again.'}
        hint="focuser body, first side"
        testID="job-name"
      />
      <Choice
        label="Machine"
        value={chosen}
        onChange={pick}
        options={(machines ?? []).map(({ id, machine }) => ({ value: id, label: machine.name }))}
      />
      {problem('machine') !== undefined && (
        <Words as="note" tone="wrong" role="alert">
          Choose the machine.
        </Words>
      )}
      {adding ? (
        <AddMachine onDone={() => setAdding(false)} />
      ) : (
        <Allowed to="declare" otherwise="A machine that is not here yet is added by a lead.">
          <Button onPress={() => setAdding(true)}>Add a machine</Button>
        </Allowed>
      )}
      <Choice
        label="Unit of the set-up and of the control"
        value={draft.unit}
        onChange={(unit) => change(withUnit(draft, unit))}
        options={[
          { value: 'mm', label: 'millimetres' },
          { value: 'in', label: 'inches' },
        ]}
        note="A single reading may still be typed in the other unit."
      />
    </>
  )
}
