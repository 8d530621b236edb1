import {
  useController,
  type Control,
  type FieldPath,
  type FieldValues,
  type PathValue,
} from 'react-hook-form'
import { Choice, type ChoiceProps } from './choice'
import { Field, type FieldProps } from './field'

interface InForm<Values extends FieldValues> {
  readonly control: Control<Values, unknown, unknown>
  readonly name: FieldPath<Values>
}

type Given = 'value' | 'onChange' | 'problem' | 'ref'

/** A labelled entry of a form: what is wrong with it stands below it, and the cursor goes there. */
export function FormField<Values extends FieldValues>({
  control,
  name,
  clean = (text) => text,
  ...props
}: InForm<Values> &
  Omit<FieldProps, Given> & {
    /** What of a typed text is taken; all of it, where it is not said. */
    readonly clean?: (text: string) => string
  }) {
  const {
    field: { ref, value, onChange },
    fieldState: { error },
  } = useController({ control, name })
  return (
    <Field
      {...props}
      ref={ref}
      value={value}
      onChange={(text) => onChange(clean(text))}
      problem={error?.message}
    />
  )
}

/** One of a few, in a form. */
export function FormChoice<Values extends FieldValues>({
  control,
  name,
  ...props
}: InForm<Values> & Omit<ChoiceProps<PathValue<Values, FieldPath<Values>>>, Given>) {
  const {
    field: { value, onChange },
    fieldState: { error },
  } = useController({ control, name })
  return <Choice {...props} value={value} onChange={onChange} problem={error?.message} />
}

/** Turns a minute are whole: only digits count. */
export const onlyDigits = (text: string): string => text.replace(/\D/g, '')
