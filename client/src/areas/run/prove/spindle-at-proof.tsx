import { useState } from 'react'
import type { Tool } from '@pine/core/sheet'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Card, Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { SPINDLE_QUESTIONS, type SpindleQuestionKind } from '../read/circumstances/spindle-question'
import { bothSay, type SpindleSeen } from './spindle-seen'

interface SpindleAtProofProps {
  readonly tools: readonly Tool[]
  readonly tool: number
  readonly seen: SpindleSeen
  readonly onSee: (seen: SpindleSeen) => void
  /** Of a control that keeps lengths the active one is asked as well. */
  readonly asksActive: boolean
  /** What the move would do as it is; none where both are as they should be. */
  readonly verdictWords: string | undefined
  /** One press says that both are right; none where another press says it. */
  readonly asksBoth: boolean
}

/** Which tool is in and which one the control says, before anything moves: looked at, and not taken from the list. */
export function SpindleAtProof({
  tools,
  tool,
  seen,
  onSee,
  asksActive,
  verdictWords: text,
  asksBoth,
}: SpindleAtProofProps) {
  const [isOpen, setOpen] = useState(false)
  const own = String(tool)
  const questions: readonly SpindleQuestionKind[] = asksActive
    ? ['holds', 'controlSays']
    : ['holds']
  const isAnswered = questions.every((which) => seen[which] !== undefined)
  const right = () => {
    onSee({ holds: own, controlSays: own })
    setOpen(false)
  }
  return (
    <Column gap="$2">
      {asksBoth && !isAnswered && (
        <Button onPress={right} testID="spindle-both">
          {bothSay(tool, asksActive)}
        </Button>
      )}
      {text !== undefined && (
        <>
          <Words tone="wrong" strong role="alert" testID="spindle-else-says">
            {text}
          </Words>
          <Button onPress={right} testID="spindle-mended">
            {`Changed: T${own} is in${asksActive ? ' and active' : ''} now`}
          </Button>
        </>
      )}
      {isOpen ? (
        <Card padded gap="$2">
          {questions.map((which) => (
            <Choice
              key={which}
              label={SPINDLE_QUESTIONS[which].long}
              value={seen[which]}
              onChange={(value) => onSee({ ...seen, [which]: value })}
              options={[
                { value: 'none', label: SPINDLE_QUESTIONS[which].none },
                ...tools.map(({ number, name }) => ({
                  value: String(number),
                  label: `T${number} · ${name}`,
                })),
              ]}
            />
          ))}
        </Card>
      ) : (
        <Button kind="plain" onPress={() => setOpen(true)} testID="spindle-else">
          {asksActive ? `T${own} is not in, or not active` : `T${own} is not in`}
        </Button>
      )}
    </Column>
  )
}
