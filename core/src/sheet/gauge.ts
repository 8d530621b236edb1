import {
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  name,
  number,
  oneOf,
  optional,
  recordOf,
  rpm,
  wholeNumber,
  yes,
  type RecordOf,
} from '../fields/shape'
import { BLOCK_GRADES } from '../touch/gauge-block-limits'
import { GAUGE_KINDS } from '../touch/gauge-kinds'

const STYLUS_FIELDS = {
  name: field(name, 'what it is called'),
  length: field(lengthAboveZero, 'nose to tip of the sensor with it, under its preload'),
}

/** A stylus, by the length that its sensor has with it. */
export type Stylus = RecordOf<typeof STYLUS_FIELDS>

/** What lies at a touch, or stands in the spindle. */
export const GAUGE_FIELDS = {
  id: field(name, 'by which readings name it'),
  kind: field(oneOf(GAUGE_KINDS), 'what it is: [Gauges](#gauges)'),
  name: field(name, 'what it is called'),
  size: field(
    lengthAboveZero,
    'marked height, thickness or diameter: [Gauges](#gauges) says which',
  ),
  sizeRough: optional(
    yes,
    'nobody measured that size: it is about so, and a number in which it does not cancel is none',
  ),
  wall: optional(lengthAboveZero, 'thickness of a plate’s wall, for X and Y'),
  repeatability: optional(
    lengthNotNegative,
    'one standard deviation of a touch with it, where the shop knows better than the default',
  ),
  uncertainty: optional(
    lengthNotNegative,
    'standard uncertainty of its size, from its certificate',
  ),
  foot: optional(
    length,
    'how high its foot stands above the setting plane, below zero where it stands lower: a setter on the table, say',
  ),
  footUncertainty: optional(lengthNotNegative, 'standard uncertainty of that height'),
  grade: optional(
    oneOf(BLOCK_GRADES),
    'grade of a gauge block by ISO 3650, where there is no certificate',
  ),
  halfAngle: optional(
    number({ least: 1, most: 89 }),
    'half the angle of a tapered or V bit, in degrees: its full diameter stands above its tip',
  ),
  maxSpeed: optional(rpm, 'rpm that it bears, of one that turns: an edge finder or a wobbler'),
  styli: optional(
    listOf(recordOf(STYLUS_FIELDS), { least: 1, most: 12 }),
    'of a sensor: with each stylus it is a tool of another length',
  ),
}

export type Gauge = RecordOf<typeof GAUGE_FIELDS>

/** How a gauge is watched by the shop; a set-up does not ask. */
export const WATCH_FIELDS = {
  limit: field(lengthAboveZero, 'tolerance of a check'),
  everyDays: optional(wholeNumber(1, 3650), 'how often the shop checks it at least'),
}
