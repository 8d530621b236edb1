import { usePathname, useRouter } from 'expo-router'
import { useState } from 'react'
import { View } from '@tamagui/core'
import { may, pinSchema, ROLE_WORDS, type Person } from '@pine/contract'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { Join } from '@/areas/late'
import { usePeople, useSession } from '@/data/server/session'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Keypad } from '@/kit/entry/keypad'
import { Message } from '@/kit/message'
import { Page } from '@/kit/frame/page'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useScheme } from '@/theme/use-scheme'

/** Pick your name, type your PIN. */
export function SignInScreen() {
  const { people, error } = usePeople()
  const { person, signOut, signOutEverywhere } = useSession()
  const [picked, setPicked] = useState<Person>()
  const [adding, setAdding] = useState(false)
  const router = useRouter()
  const others = people?.filter(({ id }) => id !== person?.id)
  if (picked) return <PinEntry person={picked} onBack={() => setPicked(undefined)} />
  if (people === undefined && error === undefined) return <Message text="Opening …" />
  if (adding || people?.length === 0)
    return (
      <Join
        isFirst={people?.length === 0}
        onAdded={setPicked}
        onBack={people?.length === 0 ? undefined : () => setAdding(false)}
      />
    )
  return (
    <Page title={person ? `${person.name} is signed in.` : 'Who is at the machine?'}>
      {person && (
        <>
          <Words as="note" testID="role">
            {ROLE_WORDS[person.role].name}: {ROLE_WORDS[person.role].is}
          </Words>
          <Row flexWrap="wrap">
            <Button onPress={() => void signOut()}>Sign out</Button>
            <Button kind="plain" onPress={() => void signOutEverywhere()}>
              Sign out on every device
            </Button>
            <Button onPress={() => router.push('/people')}>
              {may(person, 'people') ? 'People of the shop' : 'My PIN, my place'}
            </Button>
          </Row>
          <Words as="lead" strong>
            Somebody else is at the machine now
          </Words>
        </>
      )}
      {error !== undefined && (
        <Words role="alert" tone="wrong">
          {askedFailureWords(error)}
        </Words>
      )}
      <Column gap="$3">
        {others?.map((one) => (
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
