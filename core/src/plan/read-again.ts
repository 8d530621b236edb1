import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import type { Register } from '../registers/register'
import type { Solution } from '../solve/solution'
import { makesStale } from './order/step-state'
import type { Step, StepState } from './order/step'

type ReadStep = Extract<Step, { does: 'read' }>

/**
 * The step to read again so that a number that no longer holds is good again: that of a touch of its own that the reason is in. It may be
 * one that counts as done, as its tool has cut. Undefined where no touch of its own is to blame and none is open.
 */
export function readAgain(
  document: SetupDocument,
  solution: Solution,
  steps: readonly StepState[],
  { address, chain }: Register,
): ReadStep | undefined {
  const own = new Set(chain?.terms.map(({ source }) => source.reading))
  const reads = steps.flatMap(({ step, done }) => (step.does === 'read' ? [{ step, done }] : []))
  const toBlame = reads.find(({ step }) =>
    standingReadings(document, step.quantity).some(
      (reading) => own.has(reading.id) && makesStale(document, solution, reading, address),
    ),
  )
  return (toBlame ?? reads.find(({ done }) => !done))?.step
}
