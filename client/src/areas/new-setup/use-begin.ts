import { useRouter } from 'expo-router'
import { useState } from 'react'
import type { SetupFact } from '@pine/core/facts'
import type { SetupSheet } from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import { useSession } from '@/data/server/session'
import { beginSetup } from '@/data/setup/begun'
import { enterFact } from '@/data/setup/one-setup'

type Program = Extract<SetupFact, { kind: 'program' }>['body']

/** Begins a set-up from a finished sheet, with the program that ran with it, and opens it. Pressed twice it is one set-up. */
export function useBegin(program: Program | undefined): (sheet: SetupSheet) => Promise<void> {
  const router = useRouter()
  const by = useSession().person ?? { name: '' }
  const [ids] = useState(() => ({ id: uuid(), sheetFactId: uuid() }))
  return async (sheet) => {
    await beginSetup({ ...ids, sheet }, by)
    // It is checked again, and held against the file at the machine, before anything is released.
    if (program !== undefined) await enterFact(ids.id, { kind: 'program', body: program }, by, 1)
    router.replace({ pathname: '/setups/[id]', params: { id: ids.id } })
  }
}
