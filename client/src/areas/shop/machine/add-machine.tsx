import { otherUnit } from '@pine/core/length'
import { type MachineDeclaration } from '@pine/core/sheet'
import { useState } from 'react'
import { useFormState } from 'react-hook-form'
import { useMachines } from '@/data/shop/shop'
import { useKeptForm, type FormOutcome } from '@/data/device/use-kept-form'
import { Button } from '@/kit/button'
import { FormEnd } from '@/kit/entry/form-end'
import { FormChoice, FormField, onlyDigits } from '@/kit/entry/form'
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
import { ABOUT_LENGTHS, ASKED, CHOICES, FOLDED } from './machine-questions'

/** A machine, and how its control takes numbers. */
export function AddMachine({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useMachines()
  return (
    <MachineForm
      formKey="machine"
      initial={newMachine}
      make={machineOf}
      send={async (machine) => onDone((await add(machine)).id)}
      questions={CHOICES}
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
      questions={CHOICES.filter(({ field }) => field !== 'secondLook' && field !== 'proves')}
      onLeave={onDone}
    />
  )
}

interface MachineFormProps {
  readonly formKey: string
  readonly initial: MachineDraft
  readonly make: (draft: MachineDraft) => FormOutcome<MachineDraft, MachineDeclaration>
  readonly send: (machine: MachineDeclaration) => Promise<void>
  readonly questions: readonly (typeof CHOICES)[number][]
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

function MachineForm({ formKey, initial, make, send, questions, onLeave }: MachineFormProps) {
  const { control, watch, setValue, submit, failure } = useKeptForm(formKey, initial, make, send)
  const [homing, unit, lengthKey] = watch(['homing', 'unit', 'lengthKey'])
  const { errors } = useFormState({ control })
  const [opened, setOpened] = useState(false)
  // What is wrong is never folded away.
  const isOpen = opened || Object.keys(errors).some((field) => FOLDED.includes(field))
  const length = { control, unit, onUnit: () => setValue('unit', otherUnit(unit)) }
  return (
    <Card padded gap="$3">
      <FormField
        control={control}
        name="name"
        label="What the shop calls it"
        testID="machine-name"
      />
      {ASKED.map(({ field, label, options, ...about }) => (
        <FormChoice
          key={field}
          control={control}
          name={field}
          label={label}
          options={options}
          {...about}
        />
      ))}
      {isOpen ? (
        <Details
          questions={questions}
          length={length}
          homing={homing}
          lengthKey={lengthKey}
          initial={initial}
        />
      ) : (
        <Button onPress={() => setOpened(true)} testID="machine-more">
          More: steps, home, travels, spindle, changer …
        </Button>
      )}
      <FormEnd failure={failure} takes="Keep this machine" onLeave={onLeave} onTake={submit} />
    </Card>
  )
}

interface DetailsProps extends Pick<MachineFormProps, 'questions' | 'initial'> {
  readonly length: MachinePlacesProps['length']
  readonly homing: MachineDraft['homing']
  readonly lengthKey: MachineDraft['lengthKey']
}

/** What most machines have as it stands here; it can be told later as well. */
function Details({ questions, length, homing, lengthKey, initial }: DetailsProps) {
  const { control, unit } = length
  return (
    <>
      {questions
        .filter(({ field }) => lengthKey !== 'none' || !ABOUT_LENGTHS.includes(field))
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
        <Words strong>Backlash of each screw</Words>
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
        label="Highest spindle speed, rpm"
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
    </>
  )
}
