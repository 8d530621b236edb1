import '@/theme/global.css'
import { Slot, type ErrorBoundaryProps } from 'expo-router'
import { useEffect } from 'react'
import { fetchLate } from '@/areas/late'
import { UnderDemoBanner } from '@/areas/people/demo-banner'
import { SignedIn } from '@/areas/people/signed-in'
import { SWRConfig } from 'swr'
import { noteReached } from '@/data/server/connection'
import { flushOutbox } from '@/data/outbox/outbox'
import { keepPage } from '@/data/server/page-version'
import { askAhead } from '@/data/server/session'
import { useDraftsLoaded } from '@/data/device/drafts'
import { showLostFailures } from '@/data/device/lost-failure'
import { keepAnswers, useSeenBefore } from '@/data/device/seen-before'
import { AppFrame } from '@/kit/frame/app-frame'
import { Broken } from '@/kit/frame/broken'
import { Message } from '@/kit/message'

askAhead()

export default function Layout() {
  const [seen, typed] = [useSeenBefore(), useDraftsLoaded()]
  const ready = seen && typed
  useEffect(() => void keepPage(fetchLate), [])
  useEffect(() => showLostFailures(window), [])
  useEffect(() => {
    const again = () => void flushOutbox()
    // The network is back, or somebody looks at the page again: nothing waits for the next try.
    window.addEventListener('online', again)
    window.addEventListener('focus', again)
    // A device that knows that it has no network need not ask in vain first.
    const away = () => noteReached(false)
    window.addEventListener('offline', away)
    return () => {
      window.removeEventListener('online', again)
      window.removeEventListener('focus', again)
      window.removeEventListener('offline', away)
    }
  }, [])
  return (
    <AppFrame>
      {ready ? (
        <SWRConfig value={{ use: [keepAnswers] }}>
          <UnderDemoBanner>
            <SignedIn>
              <Slot />
            </SignedIn>
          </UnderDemoBanner>
        </SWRConfig>
      ) : (
        <Message text="Opening …" />
      )}
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
