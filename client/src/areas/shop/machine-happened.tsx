import { useState } from 'react'
import { failureWords } from '@/data/api'
import { useSetups } from '@/data/setups'
import { machineHappened, usePockets } from '@/data/tools'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Problem } from '@/kit/problem'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { machineFalls } from './machine-falls'

type What = 'plane-moved' | 'home-lost'

/** Something happened to a machine between two set-ups: said with what falls by it, before it is said. */
export function MachineHappened({
  id,
  name,
  onDone,
}: {
  readonly id: string
  readonly name: string
  readonly onDone: () => void
}) {
  const { setups } = useSetups()
  const pockets = usePockets(id)
  const [what, setWhat] = useState<What>()
  const [plane, setPlane] = useState('')
  const [note, setNote] = useState('')
  const [problem, setProblem] = useState<string>()
  const said = plane.trim()
  const say = () => {
    if (what === undefined) return
    const on = what === 'plane-moved' && said !== '' ? { plane: said } : {}
    machineHappened(id, { what, note: note.trim(), ...on }).then(onDone, (cause: unknown) =>
      setProblem(failureWords(cause)),
    )
  }
  const { says, open } = machineFalls(setups ?? [], id, pockets?.length ?? 0)
  return (
    <Card padded gap="$3" tone="read">
      <Choice
        label={`What happened to ${name}?`}
        value={what}
        onChange={setWhat}
        options={[
          { value: 'plane-moved', label: 'the setting plane or its setter was moved' },
          { value: 'home-lost', label: 'it lost its home position' },
        ]}
      />
      {what === 'plane-moved' && (
        <Field
          label="Which plane, as the set-ups call it (empty: all of them)"
          value={plane}
          onChange={setPlane}
          hint="fixed jaw of vise 1"
          testID="plane"
        />
      )}
      {what !== undefined && (
        <>
          <Field
            label="A word on it (may stay empty)"
            value={note}
            onChange={setNote}
            testID="note"
          />
          <Words testID="falls">{says}</Words>
          {open.map((one) => (
            <Words key={one.id} as="note">
              {one.name}
            </Words>
          ))}
        </>
      )}
      <Problem words={problem} />
      <Row>
        <Button grow onPress={onDone}>
          Nothing happened
        </Button>
        <Button grow kind="act" disabled={what === undefined} onPress={say} testID="say-it">
          Say so
        </Button>
      </Row>
    </Card>
  )
}
