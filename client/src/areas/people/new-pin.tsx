import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import { newPinSchema } from '@pine/contract'
import { failureWords } from '@/data/server/api'
import { FormEnd } from '@/kit/entry/form-end'
import { FormField, onlyDigits } from '@/kit/entry/form'
import { Column } from '@/kit/surfaces'

/** Another PIN; whoever was signed in by the old one signs in again. */
export function NewPin({
  give,
  onDone,
}: {
  readonly give: (pin: string) => Promise<void>
  readonly onDone: () => void
}) {
  const { control, handleSubmit, setError } = useForm({
    defaultValues: { pin: '' },
    resolver: zodResolver(newPinSchema),
  })
  const submit = handleSubmit(async ({ pin }) => {
    try {
      await give(pin)
      onDone()
    } catch (cause) {
      setError('pin', { message: failureWords(cause) })
    }
  })
  return (
    <Column gap="$3">
      <FormField
        control={control}
        name="pin"
        label="New PIN, four to eight digits"
        note="A lead’s has six or more. Whoever is signed in by the old one signs in again."
        digits
        clean={onlyDigits}
        testID="new-pin"
      />
      <FormEnd takes="Take this PIN" onLeave={onDone} onTake={() => void submit()} />
    </Column>
  )
}
