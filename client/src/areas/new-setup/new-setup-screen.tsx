import { useRouter } from 'expo-router'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { beginSetup } from '@/data/setup/begun'
import { useDraft } from '@/data/device/drafts'
import { useSession } from '@/data/server/session'
import { enterFact } from '@/data/setup/one-setup'
import type { PendingProgram } from '@/areas/program/from-program-screen'
import { emptyDraft } from './sheet-draft'
import { SheetPages } from './sheet-pages'

const newIds = () => ({ id: uuid(), sheetFactId: uuid() })

/** A set-up from nothing. */
export function NewSetupScreen() {
  const router = useRouter()
  const by = useSession().person ?? { name: '' }
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
        const { id, sheetFactId } = ids.value
        await beginSetup({ id, sheetFactId, sheet }, by)
        if (program.value !== undefined)
          await enterFact(id, { kind: 'program', body: program.value }, by, 1)
        ids.clear()
        program.clear()
        router.replace({ pathname: '/setups/[id]', params: { id } })
      }}
    />
  )
}
