import type { Lift, LiftPlace, SetupDocument } from '../facts/document'
import type { SetupSheet } from '../sheet/sheet'
import { keepsLengths } from '../sheet/tool-rows'

/** The lift that is in, if one is: everything then stands higher than its registers say, and nothing may be released. */
export const activeLift = ({ lifts }: SetupDocument): Lift | undefined => {
  const last = lifts.at(-1)
  return last?.moves === 'in' ? last : undefined
}

/** Whether a control has such a place for a lift: one that keeps no lengths cannot be raised by them. */
export const mayLift = (place: LiftPlace, { machine }: Pick<SetupSheet, 'machine'>): boolean =>
  place !== 'lengths' || keepsLengths(machine.control)
