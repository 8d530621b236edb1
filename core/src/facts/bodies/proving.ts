import {
  boolean,
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  oneOf,
  optional,
  recordOf,
  rowOfSheet,
  toolOfSheet,
  yes,
  type RecordOf,
} from '../../fields/shape'
import type { Entered } from '../../journal/entered'
import { SPINDLE } from './spindle'

/** A cautious move that was watched to its end: how a work offset and a tool stood in the metal. */
export const PROOF_FIELDS = {
  row: field(rowOfSheet, 'which work offset'),
  tool: field(toolOfSheet, 'which tool'),
  clearance: field(lengthAboveZero, 'work Z that the move was commanded to'),
  gap: field(lengthNotNegative, 'height of the block that just passed under the tip there'),
  overZero: field(boolean, 'whether the tip stood over X0 Y0 as the drawing has it'),
  spindle: optional(
    SPINDLE,
    'as of a reading, looked at before the move: another tool proves nothing of this one',
  ),
  byEye: optional(
    yes,
    'with nothing beneath: it shows what is grossly wrong, and proves no number',
  ),
  stop: optional(
    recordOf({
      position: field(length, 'work Z'),
      distanceToGo: field(length, 'how far it had still to go'),
    }),
    'read off the screen at a stop on the way down',
  ),
}

/** What is read or keyed after it is not proven by it. */
export type Proof = Entered & RecordOf<typeof PROOF_FIELDS>

/** Where everything can be raised for a dry run. */
export const LIFT_PLACES = ['external-offset', 'work-offsets', 'lengths'] as const

export type LiftPlace = (typeof LIFT_PLACES)[number]

/** Everything is raised for a dry run, or let down again. */
export const LIFT_FIELDS = {
  moves: field(oneOf(['in', 'out']), 'raised, or let down again'),
  where: field(oneOf(LIFT_PLACES), 'where it is put in'),
  amount: field(lengthAboveZero, 'how much'),
  shown: optional(
    length,
    'of the external offset, which is no row of its own: what it showed then',
  ),
}

export type LiftBody = RecordOf<typeof LIFT_FIELDS>

export type Lift = Entered & LiftBody
