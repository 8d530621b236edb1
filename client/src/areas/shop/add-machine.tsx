import { useState } from 'react'
import { type MachineAxis } from '@pine/core/address'
import { otherUnit } from '@pine/core/length'
import { type KeyMode } from '@pine/core/sheet'
import { useMachines } from '@/data/shop'
import { failureWords } from '@/data/api'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { AXES, machineOf, newMachine, type MachineDraft, type MachineField } from './machine-draft'
import { SpeedField } from './speed-field'

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

/** What is chosen about a machine and its control: by what it does, not by who made it. */
const CHOICES = [
  {
    field: 'kind',
    label: 'What is it?',
    options: [
      { value: 'mill', label: 'mill' },
      { value: 'router', label: 'router' },
    ],
  },
  {
    field: 'workOffsetKey',
    label: 'A number typed into a work offset …',
    options: OFFSET_KEYS,
  },
  {
    field: 'zOffsetKey',
    label: 'In Z of a work offset …',
    options: [
      { value: 'same', label: 'the same' },
      ...LENGTH_KEYS,
      { value: 'position', label: 'it is “my position”' },
    ],
  },
  {
    field: 'lengthKey',
    label: 'A number typed into a tool length …',
    options: LENGTH_KEYS,
  },
  {
    field: 'lengthSign',
    label: 'A stored length is …',
    options: [
      { value: 'added', label: 'added by the control' },
      { value: 'subtracted', label: 'subtracted by it' },
    ],
  },
  {
    field: 'diameterRegister',
    label: 'A D row holds …',
    options: [
      { value: 'diameter', label: 'the diameter' },
      { value: 'radius', label: 'the radius' },
    ],
    note: 'Look in its manual: the wrong one is off by half the cutter.',
  },
  {
    field: 'shows',
    label: 'Its smallest step is …',
    options: [
      { value: 'hundredths', label: '0.01 mm, 0.001 in' },
      { value: 'thousandths', label: '0.001 mm, 0.0001 in' },
      { value: 'ten-thousandths', label: '0.0001 mm, 0.00001 in' },
    ],
  },
  {
    field: 'homing',
    label: 'After power on it finds its zero …',
    options: [
      { value: 'switches', label: 'by home switches' },
      { value: 'marks', label: 'by marks and dials' },
    ],
  },
  {
    field: 'secondLook',
    label: 'Before a part is cut …',
    options: [
      { value: 'no', label: 'one person may release' },
      { value: 'yes', label: 'another person looks first' },
    ],
  },
] as const

/** A machine, and how its control takes numbers. */
export function AddMachine({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useMachines()
  const [draft, setDraft] = useState(newMachine)
  const [problem, setProblem] = useState<{ readonly at?: MachineField; readonly words: string }>()
  const change = (next: Partial<MachineDraft>) => {
    setProblem(undefined)
    setDraft({ ...draft, ...next })
  }
  const problemAt = (field: MachineField) => (problem?.at === field ? problem.words : undefined)
  const submit = async () => {
    const outcome = machineOf(draft)
    if ('wrong' in outcome) return setProblem({ at: outcome.wrong, words: outcome.why })
    try {
      onDone((await add(outcome.machine)).id)
    } catch (cause) {
      setProblem({ words: failureWords(cause) })
    }
  }
  const length = {
    unit: draft.unit,
    onUnit: () => change({ unit: otherUnit(draft.unit) }),
  }
  const end = (axis: MachineAxis, at: 0 | 1) => (text: string) => {
    const ends: readonly [string, string] =
      at === 0 ? [text, draft.travels[axis][1]] : [draft.travels[axis][0], text]
    change({ travels: { ...draft.travels, [axis]: ends } })
  }
  return (
    <Card padded gap="$3">
      <Field
        label="What the shop calls it"
        value={draft.name}
        onChange={(name) => change({ name })}
        problem={problemAt('name')}
        testID="machine-name"
      />
      {CHOICES.map(({ field, label, options, ...about }) => (
        <Choice<string>
          key={field}
          label={label}
          value={draft[field]}
          onChange={(value) => change({ [field]: value })}
          options={options}
          {...about}
        />
      ))}
      {draft.homing === 'marks' && (
        <Field
          label="One turn of a hand-wheel’s dial moves"
          value={draft.turn}
          onChange={(turn) => change({ turn })}
          problem={problemAt('turn')}
          note="It tells one turn from the next when zero is found again."
          testID="dial-turn"
          {...length}
        />
      )}
      <Column gap="$2">
        <Words strong>How far it goes, in machine position</Words>
        <Words as="note">
          Left empty where you do not know: then no move of a program is held against it.
        </Words>
        {AXES.map((axis) => (
          <Column key={axis} gap="$1">
            <Row gap="$2" alignItems="flex-start">
              <Field
                label={`${axis} from`}
                value={draft.travels[axis][0]}
                onChange={end(axis, 0)}
                testID={`travel-${axis}-from`}
                digits
              />
              <Field
                label={`${axis} to`}
                value={draft.travels[axis][1]}
                onChange={end(axis, 1)}
                testID={`travel-${axis}-to`}
                {...length}
              />
            </Row>
            {problemAt(axis) !== undefined && (
              <Words as="note" tone="wrong" role="alert">
                {axis}: {problemAt(axis)}
              </Words>
            )}
          </Column>
        ))}
      </Column>
      <Column gap="$1">
        <Words strong>Lost motion of each screw</Words>
        <Words as="note">How far the display moves on turning round before the axis does.</Words>
        <Row gap="$2" alignItems="flex-start">
          {AXES.map((axis) => (
            <Field
              key={axis}
              label={`${axis}, ${draft.unit}`}
              value={draft.lostMotion[axis]}
              onChange={(text) => change({ lostMotion: { ...draft.lostMotion, [axis]: text } })}
              testID={`lost-${axis}`}
              digits
            />
          ))}
        </Row>
        {problemAt('lostMotion') !== undefined && (
          <Words as="note" tone="wrong" role="alert">
            {problemAt('lostMotion')}
          </Words>
        )}
      </Column>
      <SpeedField
        label="The spindle turns at most, turns a minute"
        value={draft.spindle}
        onChange={(spindle) => change({ spindle })}
        testID="machine-spindle"
      />
      <Field
        label="Words that lift Z clear of everything"
        value={draft.retract}
        onChange={(retract) => change({ retract })}
        hint="as its manual has them"
        note="They come first in a proof, before X and Y move. Left empty, Z is raised by hand."
        testID="machine-retract"
      />
      {problem !== undefined && problem.at === undefined && (
        <Words tone="wrong" role="alert">
          {problem.words}
        </Words>
      )}
      <Row>
        <Button onPress={() => onDone()}>Leave it</Button>
        <Button kind="act" grow onPress={() => void submit()}>
          Keep this machine
        </Button>
      </Row>
    </Card>
  )
}
