import { useState } from 'react'
import { useRouter } from 'expo-router'
import { may } from '@pine/contract'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { endStay, giveNewPin, useMembers } from '@/data/server/members'
import { useSession } from '@/data/server/session'
import { Button } from '@/kit/button'
import { Message } from '@/kit/message'
import { Problem } from '@/kit/problem'
import { Column } from '@/kit/surfaces'
import { Page } from '@/kit/frame/page'
import { Words } from '@/kit/words'
import { LetProgramIn } from './let-program-in'
import { LetSomebodyIn } from './let-somebody-in'
import { MemberCard } from './member-card'
import { NewPin } from './new-pin'

/** Who is in the shop, for a lead; for everybody else their own place in it. */
export function PeopleScreen() {
  const { person } = useSession()
  if (!person) return <Message text="Opening …" />
  return may(person, 'people') ? <Everybody own={person.id} /> : <OwnPlace id={person.id} />
}

function Everybody({ own }: { own: string }) {
  const { members, error, makeCode, makeToken, ...changes } = useMembers()
  return (
    <Page title="People of the shop">
      <Problem words={error === undefined ? undefined : askedFailureWords(error)} />
      <LetSomebodyIn makeCode={makeCode} />
      <LetProgramIn makeToken={makeToken} />
      {members?.map((member) => (
        <MemberCard key={member.id} member={member} isOwn={member.id === own} {...changes} />
      ))}
    </Page>
  )
}

function OwnPlace({ id }: { id: string }) {
  const router = useRouter()
  const [changing, setChanging] = useState(false)
  const [leaving, setLeaving] = useState(false)
  const [problem, setProblem] = useState<string>()
  const leave = async () => {
    try {
      await endStay(id)
      window.location.assign('/')
    } catch (cause) {
      setProblem(failureWords(cause))
    }
  }
  return (
    <Page title="My PIN, my place">
      <Column gap="$3" maxWidth={420} width="100%">
        <Problem words={problem} />
        {changing ? (
          <NewPin
            onDone={() => setChanging(false)}
            give={async (pin) => {
              await giveNewPin(id, pin)
              window.location.assign('/')
            }}
          />
        ) : (
          <Button onPress={() => setChanging(true)}>Another PIN</Button>
        )}
        {leaving ? (
          <>
            <Words>
              You will not be in the list any more. Everything you read and keyed in stays, with
              your name. A lead can take you back.
            </Words>
            <Button kind="wrong" onPress={() => void leave()}>
              Leave this shop
            </Button>
          </>
        ) : (
          <Button kind="plain" onPress={() => setLeaving(true)}>
            I work here no more
          </Button>
        )}
        <Button kind="plain" onPress={() => router.back()}>
          Back
        </Button>
      </Column>
    </Page>
  )
}
