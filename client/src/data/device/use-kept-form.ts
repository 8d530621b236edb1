import { useEffect } from 'react'
import {
  set,
  useForm,
  type DefaultValues,
  type FieldErrors,
  type FieldPath,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form'
import { failureWords } from '../server/api'
import { useDraft } from './drafts'

/** What a form becomes, or each field that is wrong with what to do. */
export type FormOutcome<Values extends FieldValues, Result> =
  | { readonly made: Result }
  | { readonly problems: Readonly<Partial<Record<FieldPath<Values>, string>>> }

export interface KeptForm<Values extends FieldValues, Result extends FieldValues> extends Pick<
  UseFormReturn<Values, unknown, Result>,
  'control' | 'watch' | 'setValue'
> {
  readonly submit: () => void
  /** What went wrong with the whole, such as that nobody answered. */
  readonly failure: string | undefined
}

/**
 * A form that survives a reload until it is sent: what is typed is kept on this device, as half-typed readings are.
 *
 * @param make of what was typed: its result, or what is wrong with it.
 * @param send what comes of it; what it throws is told and the form stays as it is.
 */
export function useKeptForm<Values extends FieldValues, Result extends FieldValues>(
  key: string,
  initial: Values,
  make: (values: Values) => FormOutcome<Values, Result>,
  send: (result: Result) => Promise<void>,
): KeptForm<Values, Result> {
  const draft = useDraft(`form:${key}`, initial)
  const { control, watch, setValue, setError, handleSubmit, subscribe, formState } = useForm<
    Values,
    unknown,
    Result
  >({
    defaultValues: draft.value as DefaultValues<Values>,
    resolver: (values) => {
      const outcome = make(values)
      if ('made' in outcome) return { values: outcome.made, errors: {} }
      return { values: {}, errors: errorsOf<Values>(outcome.problems) }
    },
  })
  const { set: keep, clear } = draft
  useEffect(
    () => subscribe({ formState: { values: true }, callback: ({ values }) => keep(values) }),
    [subscribe, keep],
  )
  const submit = handleSubmit(async (result) => {
    try {
      await send(result)
      clear()
    } catch (cause) {
      setError('root', { message: failureWords(cause) })
    }
  })
  return {
    control,
    watch,
    setValue,
    submit: () => void submit(),
    failure: formState.errors.root?.message,
  }
}

/** Nested as the form's values are: a problem of `travels.X` lies in `travels`, at `X`. */
function errorsOf<Values extends FieldValues>(
  problems: Readonly<Partial<Record<string, string>>>,
): FieldErrors<Values> {
  const errors: FieldErrors<Values> = {}
  for (const [path, message] of Object.entries(problems))
    set(errors, path, { type: 'wrong', message })
  return errors
}
