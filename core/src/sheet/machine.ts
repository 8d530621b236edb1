import {
  block,
  boolean,
  byAxis,
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  name,
  number,
  oneOf,
  optional,
  recordOf,
  rpm,
  wholeNumber,
  type RecordOf,
} from '../fields/shape'

/**
 * How a register is changed:
 * - `set`: overwritten by a number;
 * - `add`: by a difference from what it holds;
 * - `position`: by telling the control what the position is at which the machine stands now;
 * - `copy`: the machine position at which the axis stands is copied in, and a difference is added;
 * - `copy-counter`: the same with what the relative counter shows, which was zeroed at the nose or the master. Only a tool length;
 * - `stored`: the control's own cycle measures the tool and stores it: nothing is typed. Only a tool length;
 * - `halve`: the relative counter is zeroed on one face and halved on the other, and the position is
 *   told where the counter then reads zero. Only a middle of two faces can be halved.
 */
export const KEY_MODES = [
  'set',
  'add',
  'position',
  'copy',
  'copy-counter',
  'stored',
  'halve',
] as const

export type KeyMode = (typeof KEY_MODES)[number]

/** Which position a person reads on a machine as a rule. */
export const DISPLAY_HABITS = ['machine', 'counter', 'work'] as const

export type DisplayHabit = (typeof DISPLAY_HABITS)[number]

/** How a row of a work offset may be changed: no counter is copied into it, and no cycle stores it. */
export type OffsetKeyMode = Exclude<KeyMode, 'copy-counter' | 'stored'>

const OFFSET_KEY_MODES = [
  'set',
  'add',
  'position',
  'copy',
  'halve',
] as const satisfies readonly OffsetKeyMode[]

const OFFSET_PROGRAM_FIELDS = {
  offsets: optional(
    oneOf(['L2', 'L20']),
    'work offsets: `G10 L2` states what a row holds, `G10 L20` what the position is where the axes stand',
  ),
  tools: optional(
    oneOf(['L1', 'L10']),
    'lengths and D: `G10 L1` a line of a table of tools (Z, and R for the radius), `G10 L10` and `L12` one row each',
  ),
}

/** How a program may write a control's rows. */
export type OffsetProgramForms = RecordOf<typeof OFFSET_PROGRAM_FIELDS>

/** How a control stores and takes numbers. Described by what it does, never by its maker. */
const CONTROL_FIELDS = {
  decimals: field(
    recordOf({
      mm: field(wholeNumber(1, 6), 'in millimetres'),
      in: field(wholeNumber(1, 5), 'in inches'),
    }),
    'decimals that the control shows and takes',
  ),
  lengthKey: field(
    oneOf(['set', 'add', 'copy', 'copy-counter', 'stored']),
    'how a tool length is changed: [Keys](#keys)',
  ),
  workOffsetKey: field(oneOf(OFFSET_KEY_MODES), 'how a work offset is changed: [Keys](#keys)'),
  workOffsetKeys: optional(
    byAxis(oneOf(OFFSET_KEY_MODES)),
    'of axes whose rows are changed another way: X and Y copied, say, and Z typed',
  ),
  toolLengths: optional(
    oneOf(['registers', 'none']),
    'a row for each tool’s length (the default), or none: then Z of a work offset is set anew with each tool',
  ),
  lengthSign: optional(
    oneOf(['added', 'subtracted']),
    'what it does with a stored length; added by default',
  ),
  diameterRegister: optional(
    oneOf(['diameter', 'radius']),
    'what a D row holds; a diameter by default',
  ),
  offsetProgram: optional(
    recordOf(OFFSET_PROGRAM_FIELDS),
    'which G10 blocks it takes, so that a program can write its rows; none where it is left out',
  ),
}

export type ControlProfile = RecordOf<typeof CONTROL_FIELDS>

const TRAVEL_FIELDS = {
  min: field(length, 'lowest machine position'),
  max: field(length, 'highest machine position'),
}

/** How far an axis travels, in machine position. */
export type Travel = RecordOf<typeof TRAVEL_FIELDS>

/** A setter that is bolted to the machine, and the cycle that lowers tools onto it: all of it in machine position. */
const FIXED_SETTER_FIELDS = {
  X: field(length, 'where it stands'),
  Y: field(length, 'where it stands'),
  top: field(length, 'Z where the bare nose would stand on its top'),
  from: field(length, 'Z from which the cycle lowers: the tip has to be above the top there'),
  margin: field(lengthNotNegative, 'how far the longest tip stays above the top there'),
}

export type FixedSetter = RecordOf<typeof FIXED_SETTER_FIELDS>

const QUILL_FIELDS = {
  travel: field(lengthAboveZero, 'how far it goes out'),
  uncertainty: optional(lengthNotNegative, 'standard uncertainty of its scale'),
}

/** A quill that can stay out while the head moves. */
export type Quill = RecordOf<typeof QUILL_FIELDS>

export const PROVES = ['all', 'riskiest'] as const

export type Proves = (typeof PROVES)[number]

const POLICY_FIELDS = {
  maxAgeDays: optional(number({ above: 0, most: 3650 }), 'readings older than this are stale'),
  secondLook: optional(boolean, 'another person looks at the set-up before it is released'),
  leastGrip: optional(lengthAboveZero, 'a grip of the jaws that is less asks for a reason'),
  keptChecks: optional(
    wholeNumber(1, 100),
    'how many of the lengths that are reused are touched again before the others count; 2 by default',
  ),
  proves: optional(
    oneOf(PROVES),
    'which tools are proven: `all` that were touched (the default), or the `riskiest`: the longest, never measured in its holder, standing in for another, read with a surprise',
  ),
}

/** What the shop asks before a part is cut on a machine. */
export type MachinePolicy = RecordOf<typeof POLICY_FIELDS>

/** What a machine is declared to be. */
export const MACHINE_FIELDS = {
  name: field(name, 'what the shop calls it'),
  kind: field(oneOf(['mill', 'router']), 'what it is'),
  control: field(recordOf(CONTROL_FIELDS), 'how its control stores and takes numbers'),
  lostMotion: optional(
    byAxis(lengthNotNegative),
    'backlash: how much the display moves before the axis does, on turning round',
  ),
  externalOffset: optional(
    byAxis(length),
    'what the control adds to every work offset; zero by default',
  ),
  travels: optional(
    byAxis(recordOf(TRAVEL_FIELDS)),
    'how far each axis travels, in machine position',
  ),
  homing: optional(
    oneOf(['switches', 'axis-by-axis', 'marks']),
    'how it finds its zero: by switches, all axes in one go (the default); each axis by itself; or by marks',
  ),
  dialTurn: optional(
    byAxis(lengthAboveZero),
    'what one turn of a hand-wheel’s dial moves: marks are certain only to within a turn',
  ),
  reads: optional(
    oneOf(DISPLAY_HABITS),
    'which position people read on it at a touch; the machine position by default',
  ),
  policy: optional(recordOf(POLICY_FIELDS), 'the release rules of the shop for it'),
  maxSpindleSpeed: optional(rpm, 'rpm that the spindle can do'),
  retract: optional(
    block,
    'the words that lift Z to where nothing stands in the way, as this machine takes them: first in a proof',
  ),
  pockets: optional(
    wholeNumber(2, 400),
    'how many its changer has, in a ring that turns both ways; tools are loaded by hand where it is left out',
  ),
  fixedSetter: optional(
    recordOf(FIXED_SETTER_FIELDS),
    'a setter that is bolted to it, for the control’s own cycle; in machine position, within the travels',
  ),
  toolChange: optional(
    byAxis(length),
    'where it stands while a tool is changed, in machine position; an axis that is left out stays where it is',
  ),
  quill: optional(recordOf(QUILL_FIELDS), 'a quill that can stay out while the head moves'),
}

export type MachineDeclaration = RecordOf<typeof MACHINE_FIELDS>
