import { useState } from 'react'
import { speakProgramView, type ProgramView } from '@pine/core/picture'
import { type Solution } from '@pine/core/solve'
import { ProgramDrawing } from '@/drawings/program-drawing'
import { Choice } from '@/kit/entry/choice'
import { Card, Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'

/** What each tool reaches on the part, from above and from the front. */
export function ProgramPicture({
  views,
  solution,
}: {
  readonly views: readonly ProgramView[]
  readonly solution: Solution
}) {
  const [row, setRow] = useState(views[0]?.row ?? '')
  const [tool, setTool] = useState('all')
  const view = views.find((one) => one.row === row) ?? views[0]
  if (view === undefined) return null
  const write = lengthWriter(solution)
  const label = speakProgramView(view, (nm) => `${write(nm)} ${solution.unit}`)
  const chosen = tool === 'all' ? undefined : Number(tool)
  const tools = [...new Set(view.operations.flatMap(({ tool: one }) => one ?? []))]
  return (
    <Column gap="$2">
      <Words as="lead" strong role="heading" aria-level={2}>
        What it reaches in {view.row}
      </Words>
      {views.length > 1 && (
        <Choice
          label="work offset"
          value={view.row}
          onChange={setRow}
          options={views.map((one) => ({ value: one.row, label: one.row }))}
        />
      )}
      <Card>
        <ProgramDrawing view={view} up="Y" height={210} tool={chosen} label={label} />
      </Card>
      <Card>
        <ProgramDrawing
          view={view}
          up="Z"
          height={190}
          tool={chosen}
          label={`The same from the front. ${label}`}
        />
      </Card>
      {tools.length > 1 && (
        <Choice
          label="tool"
          value={tool}
          onChange={setTool}
          options={[
            { value: 'all', label: 'all' },
            ...tools.map((one) => ({ value: String(one), label: `T${one}` })),
          ]}
        />
      )}
      <Words as="note">
        Where the middle of the tip goes: half its diameter comes on top.
        {view.jaws === undefined &&
          ' The sheet does not say how the part is held: no jaws are drawn.'}
      </Words>
    </Column>
  )
}
