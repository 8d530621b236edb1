import { zodResolver } from '@hookform/resolvers/zod'
import { usePathname, useRouter } from 'expo-router'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { joinCodeSchema, LEAST_LEAD_DIGITS, pinSchema, type Person } from '@pine/contract'
import { ApiRefusal, failureWords } from '@/data/server/api'
import { usePeople, useSession } from '@/data/server/session'
import { Button } from '@/kit/button'
import { FormField, onlyDigits } from '@/kit/entry/form'
import { Page } from '@/kit/frame/page'

const name = z.string().trim().min(1, 'Say who you are: the name that the shop knows you by.')
const leadPin = pinSchema.min(LEAST_LEAD_DIGITS, 'A lead’s PIN has six digits or more.')
const firstForm = z.object({ name, pin: leadPin, code: z.literal('') })
const firstByCodeForm = z.object({ name, pin: leadPin, code: joinCodeSchema })
const laterForm = z.object({ name, pin: pinSchema, code: joinCodeSchema })

/**
 * A name, a PIN, and the code that a lead has shown; the first person of an empty product types the one that the server has
 * printed, and none where the product is on this machine alone.
 */
export function Join({
  isFirst,
  onAdded,
  onBack,
}: {
  readonly isFirst: boolean
  /** Added, and not signed in yet. */
  readonly onAdded: (person: Person) => void
  readonly onBack: (() => void) | undefined
}) {
  const { add } = usePeople()
  const { firstNeedsCode, signIn } = useSession()
  const router = useRouter()
  const path = usePathname()
  const needsCode = !isFirst || firstNeedsCode
  // Not kept on the device: a PIN is nobody else's.
  const { control, handleSubmit, setError } = useForm({
    defaultValues: { name: '', pin: '', code: '' },
    resolver: zodResolver(isFirst ? (firstNeedsCode ? firstByCodeForm : firstForm) : laterForm),
  })
  const added = async (...args: Parameters<typeof add>): Promise<Person | undefined> => {
    try {
      return await add(...args)
    } catch (cause) {
      setError(placeOf(cause) === 'pin' || !needsCode ? 'pin' : 'code', {
        message: failureWords(cause),
      })
      return undefined
    }
  }
  const submit = handleSubmit(async ({ name, pin, code }) => {
    const person = await added(name, pin, code === '' ? undefined : code)
    if (person === undefined) return
    // The PIN was typed a moment ago: it is asked again only where it did not open the door.
    try {
      await signIn(person.id, pin)
      if (path === '/sign-in') router.replace('/')
    } catch {
      onAdded(person)
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
        label={isFirst ? 'PIN, six to eight digits' : 'PIN, four to eight digits'}
        note={isFirst ? undefined : 'A lead’s has six or more.'}
        digits
        clean={onlyDigits}
        testID="pin"
      />
      {needsCode && (
        <FormField
          control={control}
          name="code"
          label={
            isFirst
              ? 'Code that the server printed, eight letters and digits'
              : 'Code from a lead, eight letters and digits'
          }
          note={
            isFirst
              ? 'It stands where “npm start” runs, below its addresses.'
              : 'Under their own name a lead finds “Let somebody in”.'
          }
          testID="code"
        />
      )}
    </Page>
  )
}

/** Which field a refusal is about. */
const placeOf = (cause: unknown): string | undefined =>
  cause instanceof ApiRefusal ? cause.problem.place : undefined
