import { addressParts } from '../../address/address'
import type { SetupDocument } from '../../facts/document'
import type { Step, StepState } from './step'
import { standingCheckOff } from '../standing-check-off'

/** What is found with one tool, on a control that keeps no lengths, and what proves it. */
export interface ToolStop {
  readonly tool: number
  readonly reads: readonly Step[]
  readonly proofs: readonly Step[]
}

/**
 * The stops of a set-up where the control keeps no lengths: each tool is touched, keyed and proven, and cuts before the next one
 * comes. What is seen to before metal is cut stands before the first cut; a second look before each, since each brings numbers
 * that nobody else has seen.
 *
 * @param once what is seen to once, before the first cut: the program, the dry run.
 * @param look the second look, where the machine asks for one.
 */
export const stopSteps = (
  stops: readonly ToolStop[],
  keyIns: readonly Step[],
  once: readonly Step[],
  look: readonly Step[],
): readonly Step[] =>
  stops.flatMap(({ tool, reads, proofs }, index) =>
    [
      ...reads,
      ...keyIns.filter((step) => setWithTool(step) === tool),
      ...proofs,
      ...(index === 0 ? once : []),
      ...look.map((step) => ({ ...step, key: `${step.key}:T${tool}` })),
      { key: `cut:T${tool}`, station: 'stops', does: 'check', check: 'cut' } as const,
    ].map((step): Step => ({ ...step, station: 'stops', stop: tool }) as Step),
  )

/** The tool that a row is set anew with, where it is. */
export function setWithTool(step: Step): number | undefined {
  const parts = step.does === 'key-in' ? addressParts(step.address) : undefined
  return parts?.of === 'work-offset' ? parts.tool : undefined
}

/** A tool that has cut is through: what was found for it served, whatever happens afterwards to what it leaned on. */
export function servedByCut(document: SetupDocument, state: StepState): StepState {
  const { stop } = state.step
  if (state.done || stop === undefined) return state
  return standingCheckOff(document, 'cut', stop) === undefined
    ? state
    : { ...state, done: true, trust: 'read' }
}
