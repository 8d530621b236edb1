import { isReleased, underPolicy, type SetupDocument } from '@pine/core/facts'
import { nextStep, stepsOf, type StepState } from '@pine/core/plan'
import { type MachinePolicy, type SetupSheet } from '@pine/core/sheet'
import { solve, type Solution } from '@pine/core/solve'

/** A set-up with what follows from its facts: every screen of a run shows this. */
export interface LoadedSetup {
  /** Under the policy that is in force now. */
  readonly document: SetupDocument
  /** What another version of the sheet begins with: what is asked of the machine now is not written into it for good. */
  readonly sheetAsWritten: SetupSheet
  readonly solution: Solution
  readonly steps: readonly StepState[]
  /** The first step that is open; none once everything is done. */
  readonly next: StepState | undefined
}

/**
 * @param now ISO 8601: readings may be too old by it.
 * @param inForce what the shop asks of the machine now; the sheet's own policy where it is no machine of the shop.
 */
export function standing(
  written: SetupDocument,
  now: string,
  inForce?: MachinePolicy,
): LoadedSetup {
  const document = underPolicy(written, inForce)
  const solution = solve(document, { now })
  const steps = stepsOf(document, solution, isReleased(document))
  return { document, sheetAsWritten: written.sheet, solution, steps, next: nextStep(steps) }
}
