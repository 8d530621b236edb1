import type { Control } from 'react-hook-form'
import type { LengthUnit } from '@pine/core/length'
import { FormField } from '@/kit/entry/form'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { MachineDraft } from './machine-draft'
import type { PlaceField } from './machine-places-draft'

export interface MachinePlacesProps {
  /** The form's control, its unit and what turns it. */
  readonly length: {
    readonly control: Control<MachineDraft, unknown, unknown>
    readonly unit: LengthUnit
    readonly onUnit: () => void
  }
}

const CHANGE = [
  ['changeX', 'X'],
  ['changeY', 'Y'],
  ['changeZ', 'Z'],
] as const satisfies readonly (readonly [PlaceField, string])[]

/** What stands on a machine: a setter with its cycle, where tools are changed, a quill. */
export function MachinePlaces({ length }: MachinePlacesProps) {
  const field = (name: PlaceField, label: string, note?: string) => (
    <FormField
      key={name}
      {...length}
      name={`places.${name}`}
      label={label}
      {...(note !== undefined && { note })}
      testID={`place-${name}`}
    />
  )
  return (
    <>
      <Column gap="$2">
        <Words strong>A fixed setter with a cycle of the control</Words>
        <Words as="note">
          Machine positions, read off the display with the machine home and its soft limits on. Left
          empty where there is none.
        </Words>
        <Row gap="$2" alignItems="flex-start">
          {field('setterX', 'Setter X')}
          {field('setterY', 'Setter Y')}
        </Row>
        {field('setterTop', 'Z where the bare nose would stand on its top')}
        {field('setterFrom', 'Z from which the cycle lowers')}
        {field(
          'setterMargin',
          'The longest tip stays above its top by',
          'What clears it is told before each touch; a longer tool is planned with another gauge.',
        )}
      </Column>
      <Column gap="$2">
        <Words strong>Where tools are changed</Words>
        <Row gap="$2" alignItems="flex-start">
          {CHANGE.map(([name, axis]) => (
            <FormField
              key={name}
              control={length.control}
              name={`places.${name}`}
              label={`Change ${axis}, ${length.unit}`}
              digits
              testID={`place-${name}`}
            />
          ))}
        </Row>
      </Column>
      <Column gap="$2">
        <Words strong>A quill that can stay out</Words>
        <Row gap="$2" alignItems="flex-start">
          {field('quillTravel', 'It goes out by')}
          {field('quillWithin', 'Its scale, ± one σ')}
        </Row>
      </Column>
    </>
  )
}
