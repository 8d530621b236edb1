import '@/theme/global.css'
import { Slot } from 'expo-router'
import { useEffect } from 'react'
import { SignedIn } from '@/areas/people/signed-in'
import { flushOutbox } from '@/data/outbox'
import { AppFrame } from '@/kit/app-frame'

export default function Layout() {
  useEffect(() => {
    void flushOutbox()
    const again = () => void flushOutbox()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [])
  return (
    <AppFrame>
      <SignedIn>
        <Slot />
      </SignedIn>
    </AppFrame>
  )
}
