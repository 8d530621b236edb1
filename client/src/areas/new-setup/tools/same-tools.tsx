import type { Pockets } from '@pine/contract'
import type { Tool } from '@pine/core/sheet'
import { usePockets } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { asAnother, asInPocket, inPocket, unansweredTools } from './assemblies'
import type { SheetPageProps } from '../sheet-page-props'

/** Whether the tools of a new sheet are those that the shop has in the pockets: with a tool goes its length, so nothing is assumed. */
export function SameTools({ draft, change }: Pick<SheetPageProps, 'draft' | 'change'>) {
  const pockets = usePockets(draft.machineId)
  const open = unansweredTools(draft.tools, pockets)
  if (open.length === 0) return null
  const answer = (answered: (tool: Tool) => Tool) =>
    change({
      ...draft,
      tools: draft.tools.map((tool) => (open.includes(tool) ? answered(tool) : tool)),
    })
  return (
    <Card padded tone="read" testID="asks-tools">
      <Words strong>Same tools as last time? Look at each.</Words>
      {open.length > 1 && (
        <Button
          onPress={() => answer((tool) => asInPocket(tool, pockets))}
          testID="same-tools"
        >{`All ${open.length} are the same`}</Button>
      )}
      {open.map((tool) => (
        <SameTool
          key={tool.number}
          tool={tool}
          pockets={pockets}
          onChange={(next) => answer((one) => (one === tool ? next : one))}
        />
      ))}
    </Card>
  )
}

interface SameToolProps {
  readonly tool: Tool
  readonly pockets: Pockets | undefined
  readonly isSame?: boolean
  readonly onChange: (tool: Tool) => void
}

/** One tool against the one in its pocket: unanswered until it is pressed. */
export function SameTool({ tool, pockets, isSame, onChange }: SameToolProps) {
  const there = inPocket(pockets, tool.number)
  if (there === undefined) return null
  return (
    <Choice
      label={`T${tool.number}: ${there.tool.name}, as last time?`}
      value={isSame === undefined ? undefined : isSame ? 'same' : 'another'}
      onChange={(is) => onChange(is === 'same' ? asInPocket(tool, pockets) : asAnother(tool))}
      options={[
        { value: 'same', label: 'same tool' },
        { value: 'another', label: 'another' },
      ]}
    />
  )
}
