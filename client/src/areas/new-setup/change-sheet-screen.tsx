import { useRouter } from 'expo-router'
import { reportProblem } from '@pine/contract'
import { checkDocument, type SetupDocument } from '@pine/core/facts'
import { ApiRefusal, sendable } from '@/data/api'
import { withPreview } from '@/data/preview'
import { useSetup } from '@/data/setups'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { SheetPages } from './sheet-pages'

/** Another version of the sheet: the earlier one is kept, what was read stays. */
export function ChangeSheetScreen({ id }: { id: string }) {
  const router = useRouter()
  const { enter } = useSetup(id)
  return (
    <OpenedSetup id={id}>
      {({ document, sheetAsWritten }) => (
        <SheetPages
          draftKey={`sheet:${id}`}
          initial={sheetAsWritten}
          finish="Keep this sheet"
          onFinish={async (sheet) => {
            const said = { kind: 'sheet', body: sendable(sheet) } as const
            refuseUnsound(withPreview(document, said))
            await enter(said)
            router.replace({ pathname: '/setups/[id]', params: { id } })
          }}
        />
      )}
    </OpenedSetup>
  )
}

/** What the server would refuse is told here, without a network as well: a gauge that was used and is left out, say. */
function refuseUnsound(document: SetupDocument): void {
  const problems = checkDocument(document).map(reportProblem)
  const [first] = problems
  if (first !== undefined) throw new ApiRefusal(422, first, problems)
}
