import { Field, type FieldProps } from '@/kit/field'

/** Turns a minute, as they are typed. */
export const SpeedField = (props: FieldProps) => (
  <Field {...props} digits onChange={(text) => props.onChange(text.replace(/\D/g, ''))} />
)
