import { usePockets } from '@/data/shop/tools'
import { Several } from '@/kit/entry/choice'
import { Card } from '@/kit/surfaces'
import { isOfJob, withTapped } from './assemblies'
import { keepsLengths } from '../sheet-draft'
import type { SheetPageProps } from '../sheet-page-props'

/** What the shop has in the changer of this machine: the tools of this job are tapped, and nothing of them is typed. */
export function TappedTools({ draft, change }: Pick<SheetPageProps, 'draft' | 'change'>) {
  const pockets = usePockets(draft.machineId)
  if (pockets === undefined || pockets.length === 0) return null
  const tapped = pockets.filter((there) => isOfJob(draft.tools, there)).map(({ id }) => id)
  return (
    <Card padded testID="tapped-tools">
      <Several
        label="In the changer: tap the tools of this job. Look that each is there."
        options={pockets
          .toSorted((one, other) => one.pocket - other.pocket)
          .map(({ id, pocket, tool }) => ({ value: id, label: `T${pocket} ${tool.name}` }))}
        values={tapped}
        onChange={(next) => {
          const there = pockets.find(({ id }) => next.includes(id) !== tapped.includes(id))
          if (there === undefined) return
          change({ ...draft, tools: [...withTapped(draft.tools, there, keepsLengths(draft))] })
        }}
      />
    </Card>
  )
}
