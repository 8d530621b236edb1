import type { Address } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { RecheckStep } from '@/areas/quick/recheck-step'
import { asksRecheck } from '@/areas/quick/recheck-view'
import { CheckStep } from '../ready/check-step'
import { KeyInStep } from '../key-in/key-in-step'
import { NeededStep } from './needed-step'
import { ReadingStep } from '../read/reading-step'
import { ProofStep } from '../prove/proof-step'
import { ReleaseStep } from '../release/release-step'
import type { RunView } from './run-view'
import { SheetStep } from '../ready/sheet-step'

export interface StepBodyProps {
  /** The touch of this step is made once more, and not looked at first. */
  readonly again: boolean
  readonly id: string
  readonly setup: LoadedSetup
  readonly view: RunView
  readonly enter: Enter
  readonly onStep: (key: string | undefined) => void
  readonly onDone: (keyed?: Address) => void
  readonly onTrace: (title: string, chain: Chain) => void
}

/** The screen of the step that a run stands at. */
export function StepBody({
  again,
  id,
  setup,
  view,
  enter,
  onStep,
  onDone,
  onTrace,
}: StepBodyProps) {
  const { document } = setup
  const { current, waitsFor, register } = view
  const { step } = current
  const parts = { setupId: id, setup, enter, onDone: () => onDone() }
  if (waitsFor !== undefined)
    return <NeededStep document={document} current={current} needed={waitsFor} onStep={onStep} />
  switch (step.does) {
    case 'sheet':
      return <SheetStep document={document} onDone={onDone} />
    case 'check':
      return (
        <CheckStep
          key={step.key}
          {...parts}
          // A zero that was found again mends what its loss had opened: what is open is asked afresh.
          onDone={
            step.check === 'home' && document.sheet.machine.homing !== 'axis-by-axis'
              ? () => onStep(undefined)
              : onDone
          }
          check={step.check}
          stop={step.stop}
          onStep={onStep}
        />
      )
    case 'read':
      return (
        <ReadingStep
          key={step.key}
          {...parts}
          onDone={onDone}
          quantity={step.quantity}
          startsAgain={again}
          onTrace={onTrace}
        />
      )
    case 'key-in':
      if (register !== undefined && asksRecheck(setup, register))
        return <RecheckStep key={step.key} {...parts} register={register} onStep={onStep} />
      return (
        register && (
          <KeyInStep
            key={step.key}
            {...parts}
            register={register}
            onLater={() => onStep(view.later)}
            onStep={onStep}
            onTrace={onTrace}
          />
        )
      )
    case 'prove':
      return (
        <ProofStep
          key={step.key}
          {...parts}
          row={step.row}
          tool={step.tool}
          onTo={(address) => onStep(`key-in:${address}`)}
        />
      )
    case 'record':
      return (
        <ReleaseStep setupId={id} setup={setup} enter={enter} onStep={onStep} onTrace={onTrace} />
      )
  }
}
