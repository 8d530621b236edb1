import { useRouter } from 'expo-router'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { createSetup } from '@/data/setups'
import { emptyDraft } from './sheet-draft'
import { SheetPages } from './sheet-pages'

/** A set-up from nothing. */
export function NewSetupScreen() {
  const router = useRouter()
  // Made once: a second press after a lost answer must not make a second set-up.
  const [id] = useState(() => uuid())
  const [sheetFactId] = useState(() => uuid())
  const [initial] = useState(() => emptyDraft())
  return (
    <SheetPages
      draftKey="new-setup"
      initial={initial}
      finish="Start measuring"
      onFinish={async (sheet) => {
        await createSetup({ id, sheetFactId, sheet })
        router.replace({ pathname: '/setups/[id]', params: { id } })
      }}
    />
  )
}
