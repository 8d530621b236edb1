import type { Lift, LiftPlace } from '../facts/bodies/proving'
import type { SetupDocument } from '../facts/document'
import type { SetupSheet } from '../sheet/sheet'
import { keepsLengths } from '../sheet/tool-rows'
import type { MachineAxis } from '../address/row'
import { toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'

/** The lift that is in, if one is: everything then stands higher than its registers say, and nothing may be released. */
export const activeLift = ({ lifts }: Pick<SetupDocument, 'lifts'>): Lift | undefined => {
  const last = lifts.at(-1)
  return last?.moves === 'in' ? last : undefined
}

/** By how much the external offset is raised just now, beside what is declared: a control that works a row out takes that off as well. */
export function raisedInExternal(
  document: Pick<SetupDocument, 'lifts'>,
  axis: MachineAxis,
): Nanometres {
  const lift = activeLift(document)
  const isThere = axis === 'Z' && lift?.where === 'external-offset'
  return (isThere ? nanometresOf(lift.amount) : undefined) ?? toNanometres(0)
}

/** Whether a control has such a place for a lift: one that keeps no lengths cannot be raised by them. */
export const mayLift = (place: LiftPlace, { machine }: Pick<SetupSheet, 'machine'>): boolean =>
  place !== 'lengths' || keepsLengths(machine.control)
