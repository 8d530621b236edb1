import { useRouter } from 'expo-router'
import { changeSheet } from '@/data/setup/change-sheet'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { draftOf } from './sheet-draft'
import { SheetPages } from './sheet-pages'

/** Another version of the sheet: the earlier one is kept, what was read stays. */
export function ChangeSheetScreen({ id }: { id: string }) {
  const router = useRouter()
  return (
    <OpenedSetup id={id}>
      {({ document, sheetAsWritten }, enter) => (
        <SheetPages
          draftKey={`sheet:${id}`}
          initial={draftOf(sheetAsWritten)}
          finish="Keep this sheet"
          onFinish={async (sheet) => {
            await changeSheet(document, enter, sheet)
            router.replace({ pathname: '/setups/[id]', params: { id } })
          }}
        />
      )}
    </OpenedSetup>
  )
}
