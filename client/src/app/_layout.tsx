import '@/theme/global.css'
import { Slot, type ErrorBoundaryProps } from 'expo-router'
import { useEffect } from 'react'
import { SignedIn } from '@/areas/people/signed-in'
import { flushOutbox } from '@/data/outbox'
import { AppFrame } from '@/kit/app-frame'
import { Broken } from '@/kit/broken'

export default function Layout() {
  useEffect(() => {
    const again = () => void flushOutbox()
    // The network is back, or somebody looks at the page again: nothing waits for the next try.
    window.addEventListener('online', again)
    window.addEventListener('focus', again)
    return () => {
      window.removeEventListener('online', again)
      window.removeEventListener('focus', again)
    }
  }, [])
  return (
    <AppFrame>
      <SignedIn>
        <Slot />
      </SignedIn>
    </AppFrame>
  )
}

/** A fault of ours must not leave a white page at the machine. */
export function ErrorBoundary({ error, retry }: ErrorBoundaryProps) {
  return (
    <AppFrame>
      <Broken error={error} onRetry={() => void retry()} />
    </AppFrame>
  )
}
