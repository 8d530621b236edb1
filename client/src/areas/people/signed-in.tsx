import { usePathname } from 'expo-router'
import { useEffect, type ReactNode } from 'react'
import { failureWords } from '@/data/api'
import { sendAs } from '@/data/outbox'
import { useSession } from '@/data/session'
import { Message } from '@/kit/message'
import { SignInScreen } from './sign-in-screen'

/** Every fact carries a person: without one, the place is kept and the name is asked for first. */
export function SignedIn({ children }: { children: ReactNode }) {
  const { person, loading, error } = useSession()
  const path = usePathname()
  useEffect(() => {
    if (!loading && error === undefined) sendAs(person ?? undefined)
  }, [person, loading, error])
  if (person || path === '/sign-in') return children
  if (loading) return <Message text="Opening …" />
  if (error !== undefined) return <Message text={failureWords(error)} tone="wrong" />
  return <SignInScreen />
}
