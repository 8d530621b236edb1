import { useState } from 'react'
import type { KeyMode, MachineDeclaration, WrittenLength } from '@pine/core'
import { LengthEntry } from '@/areas/new-setup/length-entry'
import { useMachines } from '@/data/shop'
import { failureWords } from '@/data/api'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Row } from '@/kit/surfaces'

const LENGTH_KEYS = [
  { value: 'set', label: 'overwrites (sets)' },
  { value: 'add', label: 'adds to what is there' },
  { value: 'copy', label: 'copies the position in, then adds' },
] as const

const OFFSET_KEYS: readonly { readonly value: KeyMode; readonly label: string }[] = [
  ...LENGTH_KEYS,
  { value: 'position', label: 'is “my position”, and it works the row out' },
  { value: 'halve', label: 'is “my position” at a halved counter' },
]

/** A machine, and how its control takes numbers: by what it does, not by who made it. */
export function AddMachine({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useMachines()
  const [name, setName] = useState('')
  const [kind, setKind] = useState<MachineDeclaration['kind']>('mill')
  const [workOffsetKey, setWorkOffsetKey] = useState<KeyMode>('set')
  const [lengthKey, setLengthKey] = useState<'set' | 'add' | 'copy'>('set')
  const [homing, setHoming] = useState<'switches' | 'marks'>('switches')
  const [turn, setTurn] = useState<WrittenLength>({ text: '', unit: 'mm' })
  const [lengthSign, setLengthSign] = useState<'added' | 'subtracted'>('added')
  const [secondLook, setSecondLook] = useState<'yes' | 'no'>('no')
  const [problem, setProblem] = useState<string>()
  const submit = async () => {
    if (name.trim() === '') return setProblem('Give it the name that the shop calls it.')
    try {
      const entry = await add({
        name: name.trim(),
        kind,
        control: { decimals: { mm: 3, in: 4 }, lengthKey, workOffsetKey, lengthSign },
        homing,
        ...(homing === 'marks' &&
          turn.text.trim() !== '' && { dialTurn: { X: turn, Y: turn, Z: turn } }),
        ...(secondLook === 'yes' && { policy: { secondLook: true } }),
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
        options={OFFSET_KEYS}
      />
      <Choice
        label="A number typed into a tool length …"
        value={lengthKey}
        onChange={setLengthKey}
        options={LENGTH_KEYS}
        note="It shows three decimals in mm and four in inch."
      />
      <Choice
        label="A stored length is …"
        value={lengthSign}
        onChange={setLengthSign}
        options={[
          { value: 'added', label: 'added by the control' },
          { value: 'subtracted', label: 'subtracted by it' },
        ]}
      />
      <Choice
        label="After power on it finds its zero …"
        value={homing}
        onChange={setHoming}
        options={[
          { value: 'switches', label: 'by home switches' },
          { value: 'marks', label: 'by marks and dials' },
        ]}
      />
      {homing === 'marks' && (
        <LengthEntry
          label="One turn of a hand-wheel’s dial moves"
          value={turn}
          onChange={setTurn}
          note="It tells one turn from the next when zero is found again."
          testID="dial-turn"
        />
      )}
      <Choice
        label="Before a part is cut …"
        value={secondLook}
        onChange={setSecondLook}
        options={[
          { value: 'no', label: 'one person may release' },
          { value: 'yes', label: 'another person looks first' },
        ]}
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
