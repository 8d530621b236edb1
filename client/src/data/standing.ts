import { isReleased, type SetupDocument } from '@pine/core/facts'
import { nextStep, stepsOf, type StepState } from '@pine/core/plan'
import { solve, type Solution } from '@pine/core/solve'

/** A set-up with what follows from its facts: every screen of a run shows this. */
export interface StandingSetup {
  readonly document: SetupDocument
  readonly solution: Solution
  readonly steps: readonly StepState[]
  /** The first step that is open; none once everything is done. */
  readonly next: StepState | undefined
}

/** @param now ISO 8601: readings may be too old by it. */
export function standing(document: SetupDocument, now: string): StandingSetup {
  const solution = solve(document, { now })
  const steps = stepsOf(document, solution, isReleased(document))
  return { document, solution, steps, next: nextStep(steps) }
}
