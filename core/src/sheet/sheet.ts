import {
  field,
  fileName,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  name,
  oneOf,
  optional,
  recordOf,
  register,
  row,
  sha256,
  uuid,
  words,
  type RecordOf,
} from '../fields/shape'
import { LENGTH_UNITS } from '../length/length'
import { SCHOOLS } from '../schools/schools'
import { FACES } from '../touch/touch'
import { GAUGE_FIELDS } from './gauge'
import { MACHINE_FIELDS } from './machine'
import { OFFSET_PLAN_FIELDS } from './offset-plan'
import { LEFT_OUT_FIELDS, TOOL_FIELDS } from './tool'

/** When numbers are typed into the control: each `as-known`, at the machine where it was touched, or all `together`. */
export const KEYINGS = ['as-known', 'together'] as const

export type Keying = (typeof KEYINGS)[number]

const face = oneOf(FACES)

const STOCK_FIELDS = {
  X: field(lengthAboveZero, 'along X'),
  Y: field(lengthAboveZero, 'along Y'),
  Z: field(lengthAboveZero, 'its height'),
}

export type Stock = RecordOf<typeof STOCK_FIELDS>

export const STAYS_PUT = ['jaw', 'stop'] as const

/** What stays on a machine from one part to the next. */
export type StaysPut = (typeof STAYS_PUT)[number]

const AGAINST_FIELDS = {
  jaw: optional(face, 'against the fixed jaw'),
  stop: optional(face, 'against the stop'),
} satisfies Readonly<Record<StaysPut, unknown>>

/** Faces against the fixed jaw and against the stop. */
export type Against = RecordOf<typeof AGAINST_FIELDS>

/** How the part is held, and how deep its sides are cut. */
const HOLDING_FIELDS = {
  jaw: field(lengthAboveZero, 'height of the jaws above the seat of the parallels'),
  parallels: field(lengthNotNegative, 'height of the parallels'),
  sideCut: optional(lengthAboveZero, 'deepest cut along a side, below the stock top'),
  plane: optional(
    oneOf(['jaws']),
    'the setting plane is the top of these jaws: then the stock top is to be expected so far from it',
  ),
  against: optional(
    recordOf(AGAINST_FIELDS),
    'which faces of the first part lie against what stays on the machine: they stand where the last part’s stood',
  ),
}

export type Holding = RecordOf<typeof HOLDING_FIELDS>

/** Where things stood in an earlier set-up on the same machine, in machine position. */
const STOOD_FIELDS = {
  plane: optional(length, 'Z of the bare nose on the setting plane'),
  faces: optional(
    listOf(
      recordOf({
        row: field(row, 'of which part'),
        face: field(face, 'which'),
        at: field(length, 'where it stood'),
        against: optional(
          oneOf(STAYS_PUT),
          'what it lay against, where that stays on the machine: then it tells of another job’s part as well',
        ),
      }),
      { most: 400 },
    ),
    'where faces stood',
  ),
}

export type EarlierPositions = RecordOf<typeof STOOD_FIELDS>

/** What a school counts from, where it is not the plane or the nose itself. */
const REFERENCE_FIELDS = {
  constant: optional(length, 'gauge line: H = L − constant, as small rotary-axis machines have it'),
  constantUncertainty: optional(lengthNotNegative, 'standard uncertainty of the constant'),
  masterLengthUncertainty: optional(
    lengthNotNegative,
    'standard uncertainty of the length that the master is declared with',
  ),
  masterTool: optional(register, 'master tool: the one that all others are compared with'),
  masterLength: optional(
    length,
    'the length that the master is declared with, so that no H turns negative; zero by default',
  ),
  planeRow: optional(
    row,
    'a row that keeps the setting plane itself: its Z is where the bare nose touches it',
  ),
}

export type SchoolReference = RecordOf<typeof REFERENCE_FIELDS>

/** What is declared before anything is read. Replaced as a whole when it is revised. */
export const SHEET_FIELDS = {
  name: field(name, 'what the job is called'),
  unit: field(oneOf(LENGTH_UNITS), 'unit of the set-up and of the control'),
  machineId: optional(
    uuid,
    'the shop’s machine that `machine` was taken from: what the shop asks of it now is in force, whatever `machine.policy` says',
  ),
  machine: field(recordOf(MACHINE_FIELDS), 'the machine as it was declared: [Machine](#machine)'),
  school: field(oneOf(SCHOOLS), 'what H and Z are counted from: [method.md](method.md)'),
  reference: optional(recordOf(REFERENCE_FIELDS), 'declared constants of the school'),
  needs: optional(
    recordOf({
      depth: optional(lengthAboveZero, 'Z of every tool'),
      position: optional(lengthAboveZero, 'X and Y of every offset'),
    }),
    'half-widths of what the job allows',
  ),
  repeats: optional(uuid, 'the set-up whose job this is again: what differs is compared with it'),
  imported: optional(
    recordOf({
      file: field(fileName, 'the name of its file'),
      sha256: field(sha256, 'of the file, byte for byte'),
    }),
    'the set-up file that this was set up from: nothing that was read in it counts here',
  ),
  quick: optional(
    oneOf(['lengths', 'row', 'recheck']),
    'a quick one, with no job yet: `lengths` asks for its tools alone, `row` for its work offsets as well, `recheck` whether the lengths that the control holds are still what it finds',
  ),
  keying: optional(
    oneOf(KEYINGS),
    'each number is keyed where it was touched, or all at the end (the default). What a control captures is keyed at the touch anyway',
  ),
  zero: field(words, 'where the drawing has its zero, in words'),
  plane: field(name, 'what the setter stands on: the fixed jaw, a block, the table'),
  stock: optional(
    recordOf(STOCK_FIELDS),
    'size of the raw part; asked for where jaws, an edge or a turned corner need it',
  ),
  holding: optional(recordOf(HOLDING_FIELDS), 'how the part is held: the grip follows from it'),
  stood: optional(
    recordOf(STOOD_FIELDS),
    'where things stood in an earlier set-up, in machine position: no number is made of it, it only says what to expect',
  ),
  gauges: field(listOf(recordOf(GAUGE_FIELDS), { most: 200 }), '[Gauges](#gauges)'),
  tools: field(
    listOf(recordOf(TOOL_FIELDS), { least: 1, most: 1000 }),
    'in the order in which they are touched: [Tools](#tools)',
  ),
  leftOut: optional(
    listOf(recordOf(LEFT_OUT_FIELDS), { most: 1000 }),
    'tools that were planned and are left out for now: nothing is asked of them',
  ),
  offsets: field(
    listOf(recordOf(OFFSET_PLAN_FIELDS), { least: 1, most: 100 }),
    'one for each part: [Offsets](#offsets)',
  ),
}

export type SetupSheet = RecordOf<typeof SHEET_FIELDS>
