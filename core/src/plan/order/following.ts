import type { SetupSheet } from '../../sheet/sheet'
import { neededFirst } from './needed-first'
import type { StepState } from './step'

/**
 * The step to go to once a step is done (or several, where one moment does them): the next one that is open and can be done now, then any such
 * step before it, then whatever is last. Works that were passed over are come back to before what
 * counts on them.
 */
export function followingStep(
  sheet: SetupSheet,
  states: readonly StepState[],
  doneKeys: readonly string[],
): StepState | undefined {
  const isDone = ({ step }: StepState) => doneKeys.includes(step.key)
  const then = states.map((state) => (isDone(state) ? { ...state, done: true } : state))
  const place = then.findLastIndex(isDone)
  const canBeDone = (state: StepState) =>
    !state.done && neededFirst(sheet, then, state.step) === undefined
  return (
    then.slice(place + 1).find(canBeDone) ??
    then.find(canBeDone) ??
    then.find(({ done }) => !done) ??
    then.at(-1)
  )
}
