import type { Lift, LiftPlace, SetupDocument } from '../facts/document'
import type { SetupSheet } from '../sheet/sheet'
import { keepsLengths } from '../sheet/tool-rows'

/** The lift that is in, if one is: everything then stands higher than its registers say, and nothing may be released. */
export const activeLift = ({ lifts }: SetupDocument): Lift | undefined => {
  const last = lifts.at(-1)
  return last?.moves === 'in' ? last : undefined
}

/** Whether a lift raises where it is typed in: a control that subtracts its lengths would go deeper by it, one that keeps none has no place for it. */
export const mayLift = (place: LiftPlace, { machine }: Pick<SetupSheet, 'machine'>): boolean =>
  place !== 'lengths' ||
  (keepsLengths(machine.control) && machine.control.lengthSign !== 'subtracted')
