import {
  field,
  gaugeOfSheet,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  name,
  optional,
  reason,
  recordOf,
  register,
  uuid,
  type RecordOf,
} from '../fields/shape'

/** A tool of the job. */
export const TOOL_FIELDS = {
  number: field(register, 'T of the program'),
  name: field(name, 'what it is called'),
  assembly: optional(
    uuid,
    'the shop’s own tool in its holder: what was measured of it before is asked by this id',
  ),
  lengthRegister: optional(register, 'its length row (H); none on a control that keeps no lengths'),
  length: optional(
    lengthAboveZero,
    'nose to tip, known from a presetter or a bench; a sensor’s length under its preload',
  ),
  lengthUncertainty: optional(lengthNotNegative, 'standard uncertainty of that known length'),
  lastLength: optional(
    lengthAboveZero,
    'nose to tip when it was last measured, in its holder ever since: to compare today’s length with',
  ),
  rough: optional(
    lengthAboveZero,
    'nose to tip by a rule held to it: it only says what to expect, no number is made of it',
  ),
  diameter: optional(lengthAboveZero, 'nominal diameter'),
  diameterRegister: optional(register, 'the row (D) that holds it'),
  programDiameter: optional(
    lengthAboveZero,
    'diameter of the tool that the program was written for, where this one stands in for it',
  ),
  touchWith: optional(
    listOf(gaugeOfSheet, { most: 10 }),
    'ids of the gauges that its touch was planned with',
  ),
}

export type Tool = RecordOf<typeof TOOL_FIELDS>

export const LEFT_OUT_FIELDS = {
  tool: field(recordOf(TOOL_FIELDS), 'as in `tools[]`'),
  reason: field(reason, 'why it is not set today'),
}

/** A tool of the job that is not set today. */
export type LeftOutTool = RecordOf<typeof LEFT_OUT_FIELDS>
