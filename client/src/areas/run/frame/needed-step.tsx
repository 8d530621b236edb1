import { useMedia } from '@tamagui/core'
import { type SetupDocument } from '@pine/core/facts'
import { type StepState } from '@pine/core/plan'
import { stepName } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Scroll } from '@/kit/frame/scroll'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { StepAfter } from './beside/step-after'

export interface NeededStepProps {
  readonly document: SetupDocument
  readonly current: StepState
  readonly needed: StepState
  readonly onStep: (key: string) => void
}

/** A step that cannot be done yet: what is missing, and the way there. */
export function NeededStep({ document, current, needed, onStep }: NeededStepProps) {
  const { wide } = useMedia()
  return (
    <Scroll
      label="what comes first"
      flex={1}
      contentContainerStyle={{ padding: wide ? 24 : 12, gap: 14, flexGrow: 1 }}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        First: {stepName(document, needed.step)}
      </Words>
      <Words as="lead">{stepName(document, current.step)} comes after it.</Words>
      <Column flexGrow={wide ? 0 : 1} justifyContent="flex-end">
        <Button kind="act" focused onPress={() => onStep(needed.step.key)} testID="to-needed">
          To {stepName(document, needed.step)}
        </Button>
      </Column>
      <StepAfter />
    </Scroll>
  )
}
