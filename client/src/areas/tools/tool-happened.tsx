import { useState } from 'react'
import type { ToolHistory } from '@pine/contract'
import { TOOL_HAPPENINGS, type ToolHappening } from '@pine/core/shop'
import { failureWords } from '@/data/api'
import { useSetups } from '@/data/setups'
import { useTool } from '@/data/tools'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Problem } from '@/kit/problem'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { falls } from './happened-view'
import { HAPPENING_NAMES } from './tools-view'

/** Something happened to a tool between two set-ups: said with what falls by it, before it is said. */
export function ToolHappened({
  tool,
  onDone,
}: {
  readonly tool: ToolHistory
  readonly onDone: () => void
}) {
  const { happened } = useTool(tool.id)
  const { setups } = useSetups()
  const [what, setWhat] = useState<ToolHappening>()
  const [note, setNote] = useState('')
  const [problem, setProblem] = useState<string>()
  const { says, told } = falls(
    setups ?? [],
    tool.measured.map(({ setup }) => setup),
  )
  const say = () => {
    if (what === undefined) return
    happened({ what, note: note.trim() }).then(onDone, (cause: unknown) =>
      setProblem(failureWords(cause)),
    )
  }
  return (
    <Card padded gap="$3" tone="read">
      <Choice
        label={`What happened to ${tool.tool.name}?`}
        value={what}
        onChange={setWhat}
        options={TOOL_HAPPENINGS.map((value) => ({ value, label: HAPPENING_NAMES[value] }))}
      />
      {what !== undefined && (
        <>
          <Field
            label="A word on it (may stay empty)"
            value={note}
            onChange={setNote}
            testID="note"
          />
          <Words testID="falls">{says}</Words>
          {told.map(({ id, name }) => (
            <Words key={id} as="note">
              {name}
            </Words>
          ))}
        </>
      )}
      <Problem words={problem} />
      <Row>
        <Button grow onPress={onDone}>
          Nothing happened
        </Button>
        <Button grow kind="act" disabled={what === undefined} onPress={say} testID="say-it">
          Say so
        </Button>
      </Row>
    </Card>
  )
}
