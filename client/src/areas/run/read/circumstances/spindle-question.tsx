import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { QuantityName } from '@pine/core/quantities'
import type { useReading } from '../use-reading'

export type SpindleQuestionKind = 'holds' | 'controlSays'

export const SPINDLE_QUESTIONS: Readonly<
  Record<SpindleQuestionKind, { short: string; long: string; none: string }>
> = {
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
  readonly quantity: QuantityName
  readonly onAsk: (question: SpindleQuestionKind) => void
}

/**
 * Where Z is set: the tool in the spindle and the one the control believes in. Two answers, never
 * assumed: the slip behind most crashes is that they differ (docs/domain.md, “Lengths and seats”). Where both are what they should be, one press says so.
 */
export function SpindleQuestion({
  reading: { draft, change },
  quantity,
  onAsk,
}: SpindleQuestionProps) {
  const choiceOf = (which: SpindleQuestionKind) => {
    const value = draft[which]
    if (value === undefined) return '?'
    return value === 'none' ? SPINDLE_QUESTIONS[which].none : `T${value}`
  }
  const isOpen = draft.holds === undefined && draft.controlSays === undefined
  const own = 'tool' in quantity ? String(quantity.tool) : 'none'
  return (
    <Column gap="$2">
      {isOpen && (
        <Button onPress={() => change({ holds: own, controlSays: own })} testID="spindle-both">
          {own === 'none'
            ? 'Bare nose, and no length active'
            : `T${own} in the spindle, and the control says T${own}`}
        </Button>
      )}
      <Row>
        {(['holds', 'controlSays'] as const).map((which) => (
          <Button key={which} grow onPress={() => onAsk(which)} testID={which}>
            {SPINDLE_QUESTIONS[which].short}: {choiceOf(which)}
          </Button>
        ))}
      </Row>
    </Column>
  )
}

export interface SpindleChoiceProps {
  readonly reading: ReturnType<typeof useReading>
  readonly question: SpindleQuestionKind
  readonly onClose: () => void
}

/** The tools to choose from, for one of the two questions. */
export function SpindleChoice({
  reading: { draft, change, preview },
  question,
  onClose,
}: SpindleChoiceProps) {
  const { short, long, none } = SPINDLE_QUESTIONS[question]
  return (
    <Column gap="$3">
      <Words as="title">{long}</Words>
      <Choice
        label={short}
        value={draft[question]}
        options={[
          { value: 'none', label: none },
          ...preview.sheet.tools.map(({ number, name }) => ({
            value: String(number),
            label: `T${number} · ${name}`,
          })),
        ]}
        onChange={(value) => {
          change({ [question]: value })
          onClose()
        }}
      />
    </Column>
  )
}
