import { viewSolution, type SetupSummary, type SolutionView } from '@pine/contract'
import { checkDocument, underPolicy } from '@pine/core/facts'
import { asJob, stepsOf, type StepState } from '@pine/core/plan'
import type { Problem } from '@pine/core/problem'
import type { AssemblyUse } from '@pine/core/running'
import type { MachinePolicy } from '@pine/core/sheet'
import { solve } from '@pine/core/solve'
import type { LoadedSetup } from '../use-cases/facts/set-up-streams'
import { standingOf } from '../use-cases/setups/summaries'

/** Under which circumstances a set-up is worked out. */
export interface WorkRequest {
  readonly now: string
  /** What the shop asks of its machine now. */
  readonly policy: MachinePolicy | undefined
}

/** What a set-up comes to: what is wrong with it, or how the list shows it and what it tells of the shop's own tools. */
export type Weighed =
  | { readonly problems: readonly Problem[] }
  | {
      readonly problems?: undefined
      readonly summary: SetupSummary
      readonly uses: readonly AssemblyUse[]
    }

/** What a release would freeze, and what stands against it. */
export interface ToFreeze {
  readonly open: readonly StepState[]
  readonly solution: SolutionView
}

/**
 * All that is worked out of a whole set-up, and takes the longer the more tools and facts it has. Plain values come out: whoever
 * asks does not see whether it was done here or in a thread (setup-threads.ts).
 */
export interface SetupWork {
  weighed(setup: LoadedSetup, request: WorkRequest): Promise<Weighed>
  summary(setup: LoadedSetup, request: WorkRequest): Promise<SetupSummary>
  solution(setup: LoadedSetup, request: WorkRequest): Promise<SolutionView>
  toFreeze(setup: LoadedSetup, request: WorkRequest): Promise<ToFreeze>
  /** Every step, as if it had not been released. */
  steps(setup: LoadedSetup, request: WorkRequest): Promise<readonly StepState[]>
}

/** The same done here and now, while everybody else waits. */
export const workHere: SetupWork = {
  weighed: async (setup, { now, policy }) => {
    const problems = checkDocument(setup.document)
    return problems.length > 0 ? { problems } : standingOf(setup, now, policy)
  },

  summary: async (setup, { now, policy }) => standingOf(setup, now, policy).summary,

  solution: async ({ document: asWritten }, { now, policy }) => {
    const document = underPolicy(asWritten, policy)
    return viewSolution(document, solve(document, { now }))
  },

  toFreeze: async ({ document: asWritten }, { now, policy }) => {
    const document = underPolicy(asWritten, policy)
    const solution = solve(document, { now })
    // A quick one is released as nothing less than a job: what comes before a cut is still open in it.
    const open = stepsOf(asJob(document), solution, false).filter(
      ({ step, done }) => !done && step.does !== 'record',
    )
    return { open, solution: viewSolution(document, solution) }
  },

  steps: async ({ document: asWritten }, { now, policy }) => {
    const document = underPolicy(asWritten, policy)
    return stepsOf(document, solve(document, { now }, { explains: false }), false)
  },
}
