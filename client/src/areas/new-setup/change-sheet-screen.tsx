import { useRouter } from 'expo-router'
import { v7 as uuid } from 'uuid'
import { failureWords, sendable } from '@/data/api'
import { addFactNow, useSetup } from '@/data/setups'
import { Message } from '@/kit/message'
import { SheetPages } from './sheet-pages'

/** Another version of the sheet: the earlier one is kept, what was read stays. */
export function ChangeSheetScreen({ id }: { id: string }) {
  const router = useRouter()
  const { setup, error } = useSetup(id)
  if (setup === undefined)
    return (
      <Message
        text={error === undefined ? 'Opening the sheet …' : failureWords(error)}
        tone={error === undefined ? 'soft' : 'wrong'}
      />
    )
  return (
    <SheetPages
      draftKey={`sheet:${id}`}
      initial={setup.document.sheet}
      finish="Keep this sheet"
      onFinish={async (sheet) => {
        await addFactNow(id, { id: uuid(), kind: 'sheet', body: sendable(sheet) })
        router.replace({ pathname: '/setups/[id]', params: { id } })
      }}
    />
  )
}
