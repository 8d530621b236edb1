import { useRouter } from 'expo-router'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { ApiRefusal } from '@/data/api'
import { useDraft } from '@/data/drafts'
import { addFactNow, createSetup } from '@/data/setups'
import type { PendingProgram } from '@/areas/program/from-program-screen'
import { emptyDraft } from './sheet-draft'
import { SheetPages } from './sheet-pages'

const newIds = () => ({ id: uuid(), sheetFactId: uuid() })

/** A set-up from nothing. */
export function NewSetupScreen() {
  const router = useRouter()
  const [fresh] = useState(newIds)
  const ids = useDraft('new-setup-ids', fresh)
  const program = useDraft<PendingProgram | undefined>('new-setup-program', undefined)
  const [initial] = useState(() => emptyDraft())
  return (
    <SheetPages
      draftKey="new-setup"
      initial={initial}
      finish="Start measuring"
      onFinish={async (sheet) => {
        // Kept before they are sent: after a lost answer and a reload the second try is the same set-up.
        const { id, sheetFactId } = ids.value
        ids.set(ids.value)
        try {
          await createSetup({ id, sheetFactId, sheet })
          if (program.value !== undefined)
            await addFactNow(id, { id: uuid(), kind: 'program', body: program.value })
        } catch (cause) {
          // Refused: the sheet was changed since an answer was lost. Pressing again makes a new one.
          if (cause instanceof ApiRefusal) ids.set(newIds())
          throw cause
        }
        ids.clear()
        program.clear()
        router.replace({ pathname: '/setups/[id]', params: { id } })
      }}
    />
  )
}
