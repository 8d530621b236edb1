import { useState } from 'react'
import type { KeyMode, MachineDeclaration } from '@pine/core'
import { useMachines } from '@/data/shop'
import { failureWords } from '@/data/api'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Row } from '@/kit/surfaces'

const KEY_MODES = [
  { value: 'set', label: 'overwrites (sets)' },
  { value: 'add', label: 'adds to what is there' },
] as const

const POSITION = { value: 'position', label: 'is “my position”, and it works the row out' } as const

/** A machine, and how its control takes numbers: by what it does, not by who made it. */
export function AddMachine({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useMachines()
  const [name, setName] = useState('')
  const [kind, setKind] = useState<MachineDeclaration['kind']>('mill')
  const [workOffsetKey, setWorkOffsetKey] = useState<KeyMode>('set')
  const [lengthKey, setLengthKey] = useState<'set' | 'add'>('set')
  const [problem, setProblem] = useState<string>()
  const submit = async () => {
    if (name.trim() === '') return setProblem('Give it the name that the shop calls it.')
    try {
      const entry = await add({
        name: name.trim(),
        kind,
        control: { decimals: { mm: 3, in: 4 }, lengthKey, workOffsetKey },
      })
      onDone(entry.id)
    } catch (cause) {
      setProblem(failureWords(cause))
    }
  }
  return (
    <Card padded gap="$3">
      <Field
        label="What the shop calls it"
        value={name}
        onChange={setName}
        problem={problem}
        testID="machine-name"
      />
      <Choice
        label="What is it?"
        value={kind}
        onChange={setKind}
        options={[
          { value: 'mill', label: 'mill' },
          { value: 'router', label: 'router' },
        ]}
      />
      <Choice
        label="A number typed into a work offset …"
        value={workOffsetKey}
        onChange={setWorkOffsetKey}
        options={[...KEY_MODES, POSITION]}
      />
      <Choice
        label="A number typed into a tool length …"
        value={lengthKey}
        onChange={setLengthKey}
        options={KEY_MODES}
        note="It shows three decimals in mm and four in inch."
      />
      <Row>
        <Button onPress={() => onDone()}>Leave it</Button>
        <Button kind="act" grow onPress={() => void submit()}>
          Keep this machine
        </Button>
      </Row>
    </Card>
  )
}
