import { useRouter } from 'expo-router'
import { v7 as uuid } from 'uuid'
import { sendable } from '@/data/api'
import { addFactNow } from '@/data/setups'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { SheetPages } from './sheet-pages'

/** Another version of the sheet: the earlier one is kept, what was read stays. */
export function ChangeSheetScreen({ id }: { id: string }) {
  const router = useRouter()
  return (
    <OpenedSetup id={id}>
      {({ document }) => (
        <SheetPages
          draftKey={`sheet:${id}`}
          initial={document.sheet}
          finish="Keep this sheet"
          onFinish={async (sheet) => {
            await addFactNow(id, { id: uuid(), kind: 'sheet', body: sendable(sheet) })
            router.replace({ pathname: '/setups/[id]', params: { id } })
          }}
        />
      )}
    </OpenedSetup>
  )
}
