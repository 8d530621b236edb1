import {
  field,
  length,
  optional,
  recordOf,
  uuid,
  words,
  yes,
  type Fields,
  type RecordOf,
  type Shape,
} from '../../fields/shape'
import type { Entered } from '../../journal/entered'
import { DISPLAYED_POSITION } from '../../quantities/displayed'
import { gauges, way } from '../../quantities/fields'
import { QUANTITIES, type Quantity } from '../../quantities/quantities'
import { CAPTURED_FIELDS } from './captured'
import { KEPT_FIELDS } from './kept'
import { SPINDLE } from './spindle'

/** What every reading says, whatever it reads. */
const READ_FIELDS = {
  read: field(length, 'the number that was read'),
  with: field(
    gauges,
    'ids of what lay between or stood in the spindle: a setter on a block lists both, something used twice is listed twice',
  ),
  approach: optional(
    way,
    'which way the axis moved last, where it was not the usual way of the touch: down (rising where a block or a pin is slid under), into the face',
  ),
  position: optional(
    DISPLAYED_POSITION,
    'which number of the display was read, where it was not the machine position',
  ),
  spindle: optional(
    SPINDLE,
    'where Z is set: what is in the spindle, and what the control takes for active',
  ),
  supersedes: optional(uuid, 'the earlier reading of the same quantity that this one replaces'),
  reason: optional(words, 'why it replaces that one'),
  surprise: optional(words, 'it was not what was to be expected: why it stands all the same'),
  kept: optional(
    recordOf(KEPT_FIELDS),
    'it was read in an earlier set-up and is reused: what it tells of is where it was',
  ),
  movedOver: optional(
    yes,
    'of a face: after the touch the axis was moved on by half the tip, and stands over the face',
  ),
  dialFalls: optional(yes, 'of a swept dial: it counts down when its plunger is pushed in'),
  captured: optional(
    recordOf(CAPTURED_FIELDS),
    'it was taken from the machine, which said this of itself',
  ),
  contactShown: optional(
    yes,
    'a fixed setter’s contact was pressed by hand just before, and the control showed it',
  ),
}

export type ReadAtContact = RecordOf<typeof READ_FIELDS>

/** What was read: a machine position at contact, or a relative counter for a carried difference. */
export type ReadingBody = Quantity & ReadAtContact

export type Reading = Entered & ReadingBody

/** A reading: what its quantity is named by and says, and what every reading says. */
export const READING: Shape<ReadingBody> = {
  is: 'variants',
  by: 'of',
  variants: Object.fromEntries(
    Object.entries<{ readonly named: Fields; readonly extra: Fields }>(QUANTITIES).map(
      ([of, { named, extra }]) => [of, { ...named, ...extra, ...READ_FIELDS }],
    ),
  ),
}
