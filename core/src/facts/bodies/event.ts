import { AXES } from '../../address/row'
import {
  addressOfSheet,
  boolean,
  byAxis,
  field,
  gaugeOfSheet,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  oneOf,
  optional,
  recordOf,
  rowOfSheet,
  sentence,
  toolOfSheet,
  uuid,
  variants,
  type RecordOf,
  type ValueOf,
} from '../../fields/shape'
import type { Entered } from '../../journal/entered'
import { FACES } from '../../touch/touch'
import { MEASURED_FIELDS } from './measured'

const axis = field(oneOf(AXES), 'which')

const STAYS_FIELDS = {
  faces: field(
    listOf(oneOf(FACES), { most: FACES.length }),
    'faces that stand at the same stop or jaw',
  ),
  top: field(boolean, 'its stock top is of the same height'),
}

/** What of a part is where it was on the one before it. */
export type PartStays = RecordOf<typeof STAYS_FIELDS>

/** Something changed that makes numbers stale: those that lean on what was read before it. */
export const EVENT = variants('kind', {
  'part-changed': {
    row: field(rowOfSheet, 'of which part'),
    stays: optional(recordOf(STAYS_FIELDS), 'what it shares with the one before'),
  },
  'plane-moved': {},
  'tool-changed': { tool: field(toolOfSheet, 'which') },
  'home-lost': {},
  'cycle-broken': {
    gauge: field(
      gaugeOfSheet,
      'a fixed setter past whose control a tool was changed: its cycle counts from a wrong tool until the machine is homed and the first tool touched anew',
    ),
  },
  'external-changed': {
    axis,
    value: field(length, 'the external offset of that axis from now on; it replaces the sheet’s'),
  },
  'counter-zeroed': {
    axis,
    machinePosition: optional(length, 'where it was zeroed, if that was read'),
  },
  'row-stands': {
    address: field(
      addressOfSheet,
      'a row that somebody set before; not touched here, and proven like the others',
    ),
    holds: field(length, 'what the control shows'),
    drawing: optional(
      length,
      'what the sheet called its face, or its facing, then: another zero is another number',
    ),
    whose: optional(sentence, 'who set it, where that is known'),
  },
  'tool-rechecked': {
    tool: field(toolOfSheet, 'that was measured again with no job in hand'),
    holds: field(length, 'its row, as it was shown'),
    found: field(length, 'what it should hold by the touches'),
    kept: field(boolean, 'the row was left as it is'),
  },
  'unit-changed': {},
  corrected: {
    address: field(addressOfSheet, 'which register is put right'),
    amount: field(length, 'by how much, as the row holds it'),
    because: field(recordOf(MEASURED_FIELDS), 'what was measured: [First part](#first-part)'),
    also: optional(
      listOf(recordOf(MEASURED_FIELDS), { most: 100 }),
      'further features that the same register cut: `amount` fits all of them by least squares',
    ),
  },
  'gauge-measured': {
    gauge: field(gaugeOfSheet, 'which'),
    size: field(lengthAboveZero, 'its true size'),
    since: field(
      oneOf(['last-good', 'now']),
      '`last-good`: what was read since its last good check (where none failed, ever) is corrected; `now`: what was read before stays as it is',
    ),
    uncertainty: optional(
      lengthNotNegative,
      'standard uncertainty of that size; as on the sheet by default',
    ),
  },
  'check-failed': {
    gauge: field(gaugeOfSheet, 'which did not read what it should'),
    lastGood: optional(
      uuid,
      'the last reading before its last good check; without it, nothing vouches for any reading',
    ),
  },
  'order-told': {
    reading: field(uuid, 'of a reading and an event whose devices did not know of each other'),
    event: field(uuid, 'the event'),
    first: field(oneOf(['reading', 'event']), 'which of the two came first'),
  },
  rebased: {
    tool: field(toolOfSheet, 'which was touched before and after the plane moved'),
  },
  'home-recovered': {
    shift: field(
      byAxis(length),
      'what the machine shows now is what it showed before plus this; an axis that is not here has a new zero',
    ),
    uncertainty: optional(
      byAxis(lengthNotNegative),
      'standard uncertainty of that, where a known place was touched again for it',
    ),
  },
})

export type EventBody = ValueOf<typeof EVENT>

type CheckFailed = Extract<EventBody, { kind: 'check-failed' }>

export type SetupEvent = Entered &
  (
    | Exclude<EventBody, CheckFailed>
    | (CheckFailed & {
        /** Place of `lastGood`; −1 where there is none. */
        readonly goodThrough: number
      })
  )
