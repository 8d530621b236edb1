import {
  count,
  field,
  listOf,
  moment,
  name,
  number,
  oneOf,
  optional,
  registerOrNone,
  type RecordOf,
} from '../../fields/shape'

/**
 * What can speak against a position that a machine tells of itself, when it is taken for a reading: an axis that moves, an answer that
 * is late, an axis that is not homed, another machine than before, another tool in force, a spindle that turns where it must not or
 * stands where it must turn, an emergency stop, an alarm.
 */
export const AGAINST_TAKING = [
  'moving',
  'late',
  'not-homed',
  'other-machine',
  'other-tool',
  'turning',
  'still',
  'emergency-stop',
  'alarm',
] as const

export type AgainstTaking = (typeof AGAINST_TAKING)[number]

/** Where a reading was taken from, and what the machine said of itself beside it. */
export const CAPTURED_FIELDS = {
  agent: field(name, 'the machine, as its agent calls it'),
  instance: field(count, 'another one after each start of the agent'),
  sequence: field(count, 'of its last change before'),
  at: field(moment, 'by the agent’s own clock'),
  tool: optional(registerOrNone, 'the tool that it took for the one in the spindle'),
  spindle: optional(number({ least: -1_000_000, most: 1_000_000 }), 'rpm'),
  against: optional(
    listOf(oneOf(AGAINST_TAKING), { least: 1, most: AGAINST_TAKING.length }),
    'what spoke against it, and was seen before it was entered',
  ),
}

export type Captured = RecordOf<typeof CAPTURED_FIELDS>
