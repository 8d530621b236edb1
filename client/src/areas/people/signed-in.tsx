import { usePathname } from 'expo-router'
import { useEffect, useState, type ReactNode } from 'react'
import { askedFailureWords } from '@/data/server/api'
import { hearLive } from '@/data/server/live'
import { sendAs } from '@/data/outbox/outbox'
import { quiet } from '@/data/server/page-version'
import { useSession } from '@/data/server/session'
import { useGauges, useMachines } from '@/data/shop/shop'
import { Message } from '@/kit/message'
import { SignInScreen } from './sign-in-screen'

/** Every fact carries a person: without one, the place is kept and the name is asked for first. */
export function SignedIn({ children }: { children: ReactNode }) {
  const { person, loading, error } = useSession()
  const path = usePathname()
  useEffect(() => {
    // Without a network it is whoever was signed in here: the server asks again who that is.
    if (person || (!loading && error === undefined)) sendAs(person ?? undefined)
  }, [person, loading, error])
  const id = person?.id
  useEffect(() => (id === undefined ? undefined : hearLive()), [id])
  if (person)
    return (
      <>
        {children}
        <AskedForLater key={person.id} />
      </>
    )
  if (path === '/sign-in') return children
  if (loading) return <Message text="Opening …" />
  if (error !== undefined) return <Message text={askedFailureWords(error)} tone="wrong" />
  return <SignInScreen />
}

/** A set-up may begin where there is no network: what it is made of is asked for once the first screen stands. */
function AskedForLater() {
  const [isQuiet, setQuiet] = useState(false)
  useEffect(() => {
    let isGone = false
    void quiet().then(() => !isGone && setQuiet(true))
    return () => {
      isGone = true
    }
  }, [])
  return isQuiet && <SheetParts />
}

function SheetParts() {
  useMachines()
  useGauges()
  return null
}
