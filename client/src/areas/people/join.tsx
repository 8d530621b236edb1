import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { joinCodeSchema, pinSchema, type Person } from '@pine/contract'
import { failureWords } from '@/data/server/api'
import { usePeople } from '@/data/server/session'
import { Button } from '@/kit/button'
import { FormField, onlyDigits } from '@/kit/form'
import { Page } from '@/kit/page'

const person = {
  name: z.string().trim().min(1, 'Say who you are: the name that the shop knows you by.'),
  pin: pinSchema,
}
const firstForm = z.object({ ...person, code: z.literal('') })
const laterForm = z.object({ ...person, code: joinCodeSchema })

/** A name, a PIN, and the code that a lead has shown; the first person of an empty product needs none. */
export function Join({
  isFirst,
  onAdded,
  onBack,
}: {
  readonly isFirst: boolean
  readonly onAdded: (person: Person) => void
  readonly onBack: (() => void) | undefined
}) {
  const { add } = usePeople()
  // Not kept on the device: a PIN is nobody else's.
  const { control, handleSubmit, setError } = useForm({
    defaultValues: { name: '', pin: '', code: '' },
    resolver: zodResolver(isFirst ? firstForm : laterForm),
  })
  const submit = handleSubmit(async ({ name, pin, code }) => {
    try {
      onAdded(await add(name, pin, code === '' ? undefined : code))
    } catch (cause) {
      setError(isFirst ? 'pin' : 'code', { message: failureWords(cause) })
    }
  })
  return (
    <Page
      title="Your name and a PIN"
      foot={
        <>
          {onBack && <Button onPress={onBack}>Back</Button>}
          <Button kind="act" grow onPress={() => void submit()}>
            Add me
          </Button>
        </>
      }
    >
      <FormField
        control={control}
        name="name"
        label="Name"
        note={
          isFirst
            ? 'You are the first here: you are the lead, and let the others in.'
            : 'It stands beside everything you read and key in.'
        }
        testID="name"
      />
      <FormField
        control={control}
        name="pin"
        label="PIN, four to eight digits"
        digits
        clean={onlyDigits}
        testID="pin"
      />
      {!isFirst && (
        <FormField
          control={control}
          name="code"
          label="Code from a lead, eight letters and digits"
          note="Under their own name a lead finds “Let somebody in”."
          testID="code"
        />
      )}
    </Page>
  )
}
