import { otherUnit } from '@pine/core/length'
import { type KeyMode, type MachineDeclaration } from '@pine/core/sheet'
import { useState } from 'react'
import { useFormState } from 'react-hook-form'
import { useMachines } from '@/data/shop/shop'
import { useKeptForm, type FormOutcome } from '@/data/device/use-kept-form'
import { Button } from '@/kit/button'
import { FormEnd } from '@/kit/form-end'
import { FormChoice, FormField, onlyDigits } from '@/kit/form'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import {
  AXES,
  correctedMachine,
  machineDraft,
  machineOf,
  newMachine,
  type MachineDraft,
} from './machine-draft'
import { MachinePlaces, type MachinePlacesProps } from './machine-places'
import { hasPlaces } from './machine-places-draft'
import { PROVES_NOTE, PROVES_OPTIONS } from './policy-draft'

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
    field: 'toolLengths',
    label: 'Of its tools’ lengths the control keeps …',
    options: [
      { value: 'registers', label: 'a register for each' },
      { value: 'none', label: 'nothing: one tool at a time' },
    ],
    note: 'Then Z of the work offset is set again with each tool, in the order of the program.',
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
      { value: 'switches', label: 'by home switches, all axes in one go' },
      { value: 'axis-by-axis', label: 'by switches, each axis by itself' },
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
  {
    field: 'proves',
    label: 'A cautious move over a block proves …',
    options: PROVES_OPTIONS,
    note: PROVES_NOTE,
  },
] as const

/** What is asked only of a control that keeps lengths. */
const ABOUT_LENGTHS: readonly string[] = ['lengthKey', 'lengthSign']

/** A machine, and how its control takes numbers. */
export function AddMachine({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useMachines()
  return (
    <MachineForm
      formKey="machine"
      initial={newMachine}
      make={machineOf}
      send={async (machine) => onDone((await add(machine)).id)}
      asks={CHOICES}
      onLeave={() => onDone()}
    />
  )
}

/** A machine that is declared, with what was wrong about it put right: for set-ups that begin from now on. */
export function CorrectMachine({
  id,
  machine,
  onDone,
}: {
  readonly id: string
  readonly machine: MachineDeclaration
  readonly onDone: () => void
}) {
  const { change } = useMachines()
  return (
    <MachineForm
      formKey={`machine:${id}`}
      initial={machineDraft(machine)}
      make={(draft) => correctedMachine(machine, draft)}
      send={async (corrected) => {
        await change(id, corrected, {})
        onDone()
      }}
      asks={CHOICES.filter(({ field }) => field !== 'secondLook' && field !== 'proves')}
      onLeave={onDone}
    />
  )
}

interface MachineFormProps {
  readonly formKey: string
  readonly initial: MachineDraft
  readonly make: (draft: MachineDraft) => FormOutcome<MachineDraft, MachineDeclaration>
  readonly send: (machine: MachineDeclaration) => Promise<void>
  readonly asks: readonly (typeof CHOICES)[number][]
  readonly onLeave: () => void
}

/** Most machines have none of these: they are opened. */
function Places({ length, open }: MachinePlacesProps & { readonly open: boolean }) {
  const [opened, setOpened] = useState(open)
  const wrong = useFormState({ control: length.control }).errors.places !== undefined
  return opened || wrong ? (
    <MachinePlaces length={length} />
  ) : (
    <Button kind="plain" onPress={() => setOpened(true)} testID="machine-places">
      A fixed setter, where tools are changed, a quill …
    </Button>
  )
}

function MachineForm({ formKey, initial, make, send, asks, onLeave }: MachineFormProps) {
  const { control, watch, setValue, submit, failure } = useKeptForm(formKey, initial, make, send)
  const [homing, unit, toolLengths] = watch(['homing', 'unit', 'toolLengths'])
  const length = { control, unit, onUnit: () => setValue('unit', otherUnit(unit)) }
  return (
    <Card padded gap="$3">
      <FormField
        control={control}
        name="name"
        label="What the shop calls it"
        testID="machine-name"
      />
      {asks
        .filter(({ field }) => toolLengths === 'registers' || !ABOUT_LENGTHS.includes(field))
        .map(({ field, label, options, ...about }) => (
          <FormChoice
            key={field}
            control={control}
            name={field}
            label={label}
            options={options}
            {...about}
          />
        ))}
      {homing === 'marks' && (
        <FormField
          {...length}
          name="turn"
          label="One turn of a hand-wheel’s dial moves"
          note="It tells one turn from the next when zero is found again."
          testID="dial-turn"
        />
      )}
      <Column gap="$2">
        <Words strong>How far it goes, in machine position</Words>
        <Words as="note">
          Left empty where you do not know: then no move of a program is held against it.
        </Words>
        {AXES.map((axis) => (
          <Row key={axis} gap="$2" alignItems="flex-start">
            <FormField
              control={control}
              name={`travels.${axis}.0`}
              label={`${axis} from`}
              testID={`travel-${axis}-from`}
              digits
            />
            <FormField
              {...length}
              name={`travels.${axis}.1`}
              label={`${axis} to`}
              testID={`travel-${axis}-to`}
            />
          </Row>
        ))}
      </Column>
      <Column gap="$1">
        <Words strong>Lost motion of each screw</Words>
        <Words as="note">How far the display moves on turning round before the axis does.</Words>
        <Row gap="$2" alignItems="flex-start">
          {AXES.map((axis) => (
            <FormField
              key={axis}
              control={control}
              name={`lostMotion.${axis}`}
              label={`${axis}, ${unit}`}
              testID={`lost-${axis}`}
              digits
            />
          ))}
        </Row>
      </Column>
      <FormField
        control={control}
        name="spindle"
        digits
        clean={onlyDigits}
        label="The spindle turns at most, turns a minute"
        testID="machine-spindle"
      />
      <FormField
        control={control}
        name="pockets"
        digits
        clean={onlyDigits}
        label="Its changer has so many pockets"
        note="Left empty where every tool is loaded by hand. Touches are then planned round the changer."
        testID="machine-pockets"
      />
      <FormField
        control={control}
        name="retract"
        label="Words that lift Z clear of everything"
        hint="G53 G0 Z0"
        note="They come first in a proof, before X and Y move. Left empty, Z is raised by hand."
        testID="machine-retract"
      />
      <Places length={length} open={hasPlaces(initial)} />
      <FormEnd failure={failure} takes="Keep this machine" onLeave={onLeave} onTake={submit} />
    </Card>
  )
}
