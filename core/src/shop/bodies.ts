import { AXES } from '../address/row'
import {
  agentAddress,
  field,
  fileName,
  length,
  lengthAboveZero,
  listOf,
  name,
  number,
  oneOf,
  optional,
  reason,
  recordOf,
  sha256,
  uuid,
  wholeNumber,
  words,
  yes,
  type Field,
  type RecordOf,
} from '../fields/shape'
import type { WrittenLength } from '../length/length'
import { GAUGE_FIELDS, WATCH_FIELDS } from '../sheet/gauge'
import { MACHINE_FIELDS } from '../sheet/machine'
import { LEAST_PAIRS } from './reversal'
import { SEATS, TOOL_HAPPENINGS, TOOL_PROPERTIES, type ToolProperty } from './tool-properties'

// What the shop keeps of its machines, gauges and tools: each is what was declared last in its stream.

/** The row of a file that something was imported from. */
const IMPORTED = {
  imported: optional(
    recordOf({
      file: field(fileName, 'the name of its file'),
      sha256: field(sha256, 'of the file, byte for byte'),
      row: field(wholeNumber(1, 1_000_000), 'the row in it; its heading is row 1'),
    }),
    'from which file it was imported',
  ),
}

/** From the second time on. */
const DECLARED_ANEW = {
  reason: optional(reason, 'from the second time on: why it was declared anew'),
  retired: optional(yes, 'it is out of use'),
}

/** How a machine is asked over the network. */
export const AGENT_FIELDS = {
  address: field(
    agentAddress,
    'where it is asked, with the machine’s name behind it where it has several',
  ),
}

const MACHINE = {
  ...MACHINE_FIELDS,
  ...DECLARED_ANEW,
  agent: optional(
    recordOf(AGENT_FIELDS),
    'who tells of it over the network (MTConnect); asked only where whoever runs the server lists it',
  ),
}

const GAUGE = {
  ...GAUGE_FIELDS,
  ...DECLARED_ANEW,
  ...IMPORTED,
  watch: optional(recordOf(WATCH_FIELDS), 'how the shop watches it'),
}

/** A gauge was read against its own master. */
const GAUGE_CHECK = {
  read: field(lengthAboveZero, 'what it read'),
  against: field(name, 'what it was held against'),
  master: field(lengthAboveZero, 'how large that truly is'),
}

const REVERSAL_TEST = {
  axis: field(oneOf(AXES), 'of which screw'),
  pairs: field(
    listOf(
      recordOf({
        towardsPlus: field(length, 'machine position, met moving towards plus'),
        towardsMinus: field(length, 'machine position, met moving towards minus'),
      }),
      { least: LEAST_PAIRS, most: 40 },
    ),
    'one place after another, met from both sides',
  ),
}

const MACHINE_EVENT = {
  what: field(oneOf(['plane-moved', 'home-lost']), 'what happened, outside of a set-up'),
  plane: optional(name, 'which setting plane was moved'),
  note: field(words, 'what somebody noted: that may be nothing'),
}

const SHAPE_OF_PROPERTY = {
  length: lengthAboveZero,
  count: wholeNumber(1, 40),
  angle: number({ least: 1, most: 180 }),
} as const

type PropertyFields = {
  readonly [Name in ToolProperty]: Field<
    (typeof TOOL_PROPERTIES)[Name]['is'] extends 'length' ? WrittenLength : number,
    true
  >
}

const PROPERTY_FIELDS = Object.fromEntries(
  Object.entries(TOOL_PROPERTIES).map(([symbol, { name, is }]) => [
    symbol,
    optional<unknown>(SHAPE_OF_PROPERTY[is], name),
  ]),
) as PropertyFields

/** A tool in its holder, as it is declared. */
export const ASSEMBLY_FIELDS = {
  name: field(name, 'what it is called'),
  holder: optional(
    recordOf({
      name: field(name, 'what it is called'),
      seat: optional(
        oneOf(SEATS),
        'by a face against the nose, so that a length from the bench holds, or by its cone alone',
      ),
    }),
    'what it sits in',
  ),
  stickOut: optional(lengthAboveZero, 'how far it stands out of its holder'),
  properties: optional(recordOf(PROPERTY_FIELDS), 'by their symbols of ISO 13399'),
  place: optional(
    recordOf({
      machine: field(uuid, 'in which machine'),
      pocket: field(wholeNumber(1, 999), 'its number there'),
    }),
    'where it is',
  ),
}

export type ToolAssembly = RecordOf<typeof ASSEMBLY_FIELDS>

const TOOL = { ...ASSEMBLY_FIELDS, ...DECLARED_ANEW, ...IMPORTED }

const TOOL_EVENT = {
  what: field(oneOf(TOOL_HAPPENINGS), 'what happened, outside of a set-up'),
  note: field(words, 'what somebody noted: that may be nothing'),
}

/** The fields of the facts of the shop's own streams, by stream and kind. */
export const SHOP_FIELDS = {
  machine: { machine: MACHINE, 'machine-event': MACHINE_EVENT, 'reversal-test': REVERSAL_TEST },
  gauge: { gauge: GAUGE, 'gauge-check': GAUGE_CHECK },
  tool: { tool: TOOL, 'tool-event': TOOL_EVENT },
} as const

/** The same as types. */
export type ShopBodies = {
  readonly [Stream in keyof typeof SHOP_FIELDS]: {
    readonly [Kind in keyof (typeof SHOP_FIELDS)[Stream]]: RecordOf<
      (typeof SHOP_FIELDS)[Stream][Kind]
    >
  }
}

export type MachineFact = RecordOf<typeof MACHINE>
export type GaugeFact = RecordOf<typeof GAUGE>
export type GaugeCheckFact = RecordOf<typeof GAUGE_CHECK>
export type ReversalTest = RecordOf<typeof REVERSAL_TEST>
export type ToolEventFact = RecordOf<typeof TOOL_EVENT>
export type MachineEventFact = RecordOf<typeof MACHINE_EVENT>
