import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { useReading } from './use-reading'

export type SpindleAsked = 'holds' | 'controlSays'

const QUESTIONS: Readonly<Record<SpindleAsked, { short: string; long: string; none: string }>> = {
  holds: {
    short: 'In the spindle',
    long: 'What stands in the spindle? Look at it, not at the list.',
    none: 'bare nose',
  },
  controlSays: {
    short: 'Control says',
    long: 'Which tool’s length does the control take for active? Read it off the screen.',
    none: 'no length',
  },
}

export interface SpindleQuestionProps {
  readonly reading: ReturnType<typeof useReading>
  readonly onAsk: (asked: SpindleAsked) => void
}

/**
 * Where Z is set: the tool in the spindle and the one the control believes in. Two answers, never
 * assumed: the slip behind most crashes is that they differ (domain.md §5).
 */
export function SpindleQuestion({ reading: { draft }, onAsk }: SpindleQuestionProps) {
  const said = (which: SpindleAsked) => {
    const value = draft[which]
    if (value === undefined) return '?'
    return value === 'none' ? QUESTIONS[which].none : `T${value}`
  }
  return (
    <Row>
      {(['holds', 'controlSays'] as const).map((which) => (
        <Button key={which} grow onPress={() => onAsk(which)} testID={which}>
          {QUESTIONS[which].short}: {said(which)}
        </Button>
      ))}
    </Row>
  )
}

export interface SpindleChoiceProps {
  readonly reading: ReturnType<typeof useReading>
  readonly asked: SpindleAsked
  readonly onClose: () => void
}

/** The tools to choose from, for one of the two questions. */
export function SpindleChoice({
  reading: { draft, change, preview },
  asked,
  onClose,
}: SpindleChoiceProps) {
  const { short, long, none } = QUESTIONS[asked]
  return (
    <Column gap="$3">
      <Words as="title">{long}</Words>
      <Choice
        label={short}
        value={draft[asked]}
        options={[
          { value: 'none', label: none },
          ...preview.sheet.tools.map(({ number, name }) => ({
            value: String(number),
            label: `T${number} · ${name}`,
          })),
        ]}
        onChange={(value) => {
          change({ [asked]: value })
          onClose()
        }}
      />
    </Column>
  )
}
