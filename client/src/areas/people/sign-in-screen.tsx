import { usePathname, useRouter } from 'expo-router'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { View } from 'tamagui'
import { z } from 'zod'
import { zodResolver } from '@hookform/resolvers/zod'
import { pinSchema, type Person } from '@pine/contract'
import { failureWords } from '@/data/api'
import { usePeople, useSession } from '@/data/session'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { FormField, onlyDigits } from '@/kit/form'
import { Keypad } from '@/kit/keypad'
import { Message } from '@/kit/message'
import { Page } from '@/kit/page'
import { Column } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useScheme } from '@/theme/use-scheme'

/** Pick your name, type your PIN. */
export function SignInScreen() {
  const { people, error } = usePeople()
  const { person, signOut } = useSession()
  const [picked, setPicked] = useState<Person>()
  const [adding, setAdding] = useState(false)
  if (picked) return <PinEntry person={picked} onBack={() => setPicked(undefined)} />
  if (people === undefined && error === undefined) return <Message text="Opening …" />
  if (adding || people?.length === 0)
    return <AddPerson onAdded={setPicked} onBack={() => setAdding(false)} />
  return (
    <Page title={person ? `${person.name} is signed in.` : 'Who is at the machine?'}>
      {person && (
        <Button kind="quiet" onPress={() => void signOut()}>
          Sign out
        </Button>
      )}
      {error !== undefined && (
        <Words role="alert" tone="wrong">
          {failureWords(error)}
        </Words>
      )}
      <Column gap="$3">
        {people?.map((one) => (
          <Button key={one.id} kind={person ? 'quiet' : 'act'} onPress={() => setPicked(one)}>
            {one.name}
          </Button>
        ))}
      </Column>
      <Button kind="plain" onPress={() => setAdding(true)}>
        I am not in this list
      </Button>
      <SchemeChoice />
    </Page>
  )
}

function SchemeChoice() {
  const { chosen, choose } = useScheme()
  return (
    <Choice
      label="Light"
      value={chosen}
      onChange={choose}
      options={[
        { value: 'device', label: 'as the device' },
        { value: 'light', label: 'daylight' },
        { value: 'dark', label: 'dim shop' },
      ]}
    />
  )
}

function PinEntry({ person, onBack }: { person: Person; onBack: () => void }) {
  const { signIn } = useSession()
  const router = useRouter()
  const path = usePathname()
  const [pin, setPin] = useState('')
  const [problem, setProblem] = useState<string>()
  const submit = async () => {
    try {
      await signIn(person.id, pin)
      if (path === '/sign-in') router.replace('/')
    } catch (cause) {
      setPin('')
      setProblem(failureWords(cause))
    }
  }
  return (
    <Page title={person.name}>
      <Column gap="$4" maxWidth={420} width="100%" alignSelf="center">
        <Column alignItems="center" gap="$1">
          <Words as="note">PIN</Words>
          <Digits as="reading" aria-label={`${pin.length} digits typed`} role="status">
            {pin === '' ? '····' : '•'.repeat(pin.length)}
          </Digits>
          {problem !== undefined && (
            <Words role="alert" tone="wrong" textAlign="center">
              {problem}
            </Words>
          )}
        </Column>
        <View borderRadius="$large" overflow="hidden">
          <Keypad
            withoutPoint
            byKeyboard
            onType={(character) =>
              setPin((before) =>
                /\d/.test(character) && before.length < 8 ? before + character : before,
              )
            }
            onDelete={() => setPin((before) => before.slice(0, -1))}
            onNext={() =>
              pinSchema.safeParse(pin).success
                ? void submit()
                : setProblem('A PIN has four to eight digits.')
            }
            next="Enter"
          />
        </View>
        <Button kind="plain" onPress={onBack}>
          That is not me
        </Button>
      </Column>
    </Page>
  )
}

const newPersonForm = z.object({
  name: z.string().trim().min(1, 'Say who you are: the name that the shop knows you by.'),
  pin: pinSchema,
})

function AddPerson({ onAdded, onBack }: { onAdded: (person: Person) => void; onBack: () => void }) {
  const { add } = usePeople()
  // Not kept on the device: a PIN is nobody else's.
  const { control, handleSubmit, setError } = useForm({
    defaultValues: { name: '', pin: '' },
    resolver: zodResolver(newPersonForm),
  })
  const submit = handleSubmit(async ({ name, pin }) => {
    try {
      onAdded(await add(name, pin))
    } catch (cause) {
      setError('pin', { message: failureWords(cause) })
    }
  })
  return (
    <Page
      title="Your name and a PIN"
      foot={
        <>
          <Button kind="quiet" onPress={onBack}>
            Back
          </Button>
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
        note="It stands beside everything you read and key in."
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
    </Page>
  )
}
