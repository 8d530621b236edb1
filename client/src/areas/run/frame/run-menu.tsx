import { type SetupDocument } from '@pine/core/facts'
import { type StepState } from '@pine/core/plan'
import { TRUST_STATES } from '@pine/core/registers'
import { Button } from '@/kit/button'
import { Overlay } from '@/kit/frame/overlay'
import { Column, Row } from '@/kit/surfaces'
import { StepsList } from './beside/steps-rail'
import { RunActions, type RunActionsProps } from './run-actions'
import { TRUST_NAMES, TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'

export interface RunMenuProps extends RunActionsProps {
  readonly document: SetupDocument
  readonly steps: readonly StepState[]
  readonly current: StepState
  readonly onStep: (key: string) => void
  readonly onClose: () => void
}

/** What a phone has no room for: what can be done at any step, every step by its name, and what the marks mean. */
export function RunMenu({ document, steps, current, onStep, onClose, ...actions }: RunMenuProps) {
  return (
    <Overlay onClose={onClose}>
      <Column gap="$2">
        <Row flexWrap="wrap" gap="$2">
          <RunActions {...actions} />
        </Row>
        <Column gap="$2" role="navigation" aria-label="every step">
          <StepsList document={document} steps={steps} current={current} onStep={onStep} />
        </Column>
        <Row
          flexWrap="wrap"
          columnGap="$3"
          rowGap="$1"
          role="group"
          aria-label="what the marks mean"
        >
          {TRUST_STATES.map((state) => (
            <Row key={state} gap="$1">
              <TrustMark state={state} size={18} />
              <Words as="note">{TRUST_NAMES[state]}</Words>
            </Row>
          ))}
        </Row>
        <Button kind="plain" onPress={onClose}>
          Back to the step
        </Button>
      </Column>
    </Overlay>
  )
}
