import type { SetupDocument } from '../facts/document'
import { solve } from '../solve/solve'
import type { Solution } from '../solve/solution'
import type { Register } from '../registers/register'
import type { Warning } from '../registers/warning'
import { stepsOf } from './order/steps'
import { type StepState } from './order/step'

/** A register that something changes: its number, or how far it is to be trusted. */
export interface RegisterChange {
  readonly before: Register
  readonly after: Register
}

/** What follows when something happens: to be seen before it is said. */
export interface Consequences {
  /** Numbers that no longer hold, or that are others now. */
  readonly changed: readonly RegisterChange[]
  /** What has to be done again, in the order of work. */
  readonly again: readonly StepState[]
  /** Numbers that were known and stay as they are. */
  readonly stay: readonly Register[]
  /** What disagrees only with it: it may have been said wrong. */
  readonly disagrees: readonly Warning[]
}

/**
 * Compares a set-up with itself after something happened.
 *
 * @param before the set-up as it stands, with its solution.
 * @param after the same with one more event.
 */
export function consequencesOf(
  before: { readonly document: SetupDocument; readonly solution: Solution },
  after: SetupDocument,
): Consequences {
  const solution = solve(after)
  const pairs = before.solution.registers.flatMap((register) => {
    const now = solution.registers.find(({ address }) => address === register.address)
    return now && register.value !== undefined ? [{ before: register, after: now }] : []
  })
  const differs = ({ before: was, after: now }: RegisterChange) =>
    was.state !== now.state || was.value !== now.value
  const done = new Set(
    stepsOf(before.document, before.solution, false)
      .filter((state) => state.done)
      .map(({ step }) => step.key),
  )
  return {
    changed: pairs.filter(differs),
    again: stepsOf(after, solution, false).filter(
      (state) => !state.done && done.has(state.step.key),
    ),
    stay: pairs.filter((pair) => !differs(pair)).map(({ after: now }) => now),
    disagrees: solution.warnings.filter(
      ({ code, place }) =>
        // What the control shows from before is told as changed.
        code !== 'read-back-differs' &&
        !before.solution.warnings.some((was) => was.code === code && was.place === place),
    ),
  }
}
