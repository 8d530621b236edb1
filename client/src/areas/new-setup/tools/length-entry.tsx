import { otherUnit, type WrittenLength } from '@pine/core/length'
import { Field } from '@/kit/entry/field'

export interface LengthEntryProps {
  readonly label: string
  readonly value: WrittenLength
  readonly onChange: (next: WrittenLength) => void
  readonly problem?: string | undefined
  readonly note?: string
  readonly testID?: string
}

/** A length of the sheet: the text as typed, and its unit, which a tap changes. */
export function LengthEntry({ label, value, onChange, problem, note, testID }: LengthEntryProps) {
  return (
    <Field
      label={label}
      value={value.text}
      unit={value.unit}
      onChange={(text) => onChange({ ...value, text })}
      onUnit={() => onChange({ ...value, unit: otherUnit(value.unit) })}
      problem={problem}
      note={note}
      testID={testID}
    />
  )
}
