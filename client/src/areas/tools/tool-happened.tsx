import type { ToolHistory } from '@pine/contract'
import { TOOL_HAPPENINGS } from '@pine/core/shop'
import { useTool } from '@/data/shop/tools'
import { HappenedForm } from '@/kit/entry/happened-form'
import { staleByTool } from './happened-view'
import { HAPPENING_NAMES } from './tools-view'

/** Something happened to a tool between two set-ups. */
export function ToolHappened({
  tool,
  onDone,
}: {
  readonly tool: ToolHistory
  readonly onDone: () => void
}) {
  const { happened } = useTool(tool.id)
  return (
    <HappenedForm
      question={`What happened to ${tool.tool.name}?`}
      options={TOOL_HAPPENINGS.map((value) => ({ value, label: HAPPENING_NAMES[value] }))}
      {...staleByTool(tool.measured)}
      onSay={(what, note) => happened({ what, note })}
      onDone={onDone}
    />
  )
}
