import { AXES } from '../address/row'
import {
  boolean,
  comment,
  count,
  excerpt,
  extent,
  field,
  listOf,
  nanometres,
  number,
  oneOf,
  optional,
  recordOf,
  type RecordOf,
} from '../fields/shape'
import { LENGTH_UNITS } from '../length/length'
import { BLOCK_FAULTS } from './text/block'
import { NEED_JUDGEMENTS, PROGRAM_JUDGEMENTS, PROGRAM_PROBLEMS } from './judgement/program-codes'

// What was read in a program: plain data that stays small however long the program is. It is sent and kept as it is.

const anyNumber = number({})
const size = number({ least: 0 })
const numbers = listOf(anyNumber, { most: 10_000 })

const PLACE_FIELDS = {
  line: field(count, 'from 1'),
  excerpt: field(excerpt, 'what stands there'),
}

/** A place in the program. */
export type ProgramPlace = RecordOf<typeof PLACE_FIELDS>

const place = recordOf(PLACE_FIELDS)

const CALL_FIELDS = {
  register: field(anyNumber, 'its number'),
  at: field(place, 'where it is first called for'),
}

/** A register that an operation calls for, and where it first does. */
export type RegisterCall = RecordOf<typeof CALL_FIELDS>

const EXTENTS_FIELDS = {
  X: optional(extent, 'lowest and highest X'),
  Y: optional(extent, 'lowest and highest Y'),
  Z: optional(extent, 'lowest and highest Z'),
}

/** Lowest and highest work position, in the program's own frame. */
export type Extents = RecordOf<typeof EXTENTS_FIELDS>
export type Extent = NonNullable<Extents['X']>

/** A row that a program can select: G54 to G59, or one of the further ones. */
export type ProgramRow = string

const ROW_USE_FIELDS = {
  row: field(excerpt, 'G54 to G59, or one of the further ones'),
  at: field(place, 'where it is first moved in'),
  extents: field(recordOf(EXTENTS_FIELDS), 'how far, in work position'),
  bareZ: optional(
    extent,
    'what was reached in Z while no length was active; absent where one always was',
  ),
  heldZ: optional(extent, 'and while one was'),
}

/** A work offset that an operation moves in, where it first does, and how far. */
export type RowUse = RecordOf<typeof ROW_USE_FIELDS>

const OPERATION_FIELDS = {
  tool: optional(anyNumber, 'none before the first change'),
  from: field(place, 'where it begins'),
  name: optional(comment, 'last comment before it: what the program calls it'),
  lengths: field(listOf(recordOf(CALL_FIELDS), { most: 1000 }), 'length registers'),
  diameters: field(listOf(recordOf(CALL_FIELDS), { most: 1000 }), 'diameter registers'),
  rows: field(listOf(recordOf(ROW_USE_FIELDS), { most: 1000 }), 'work offsets'),
  lowestZ: optional(
    recordOf({ z: field(nanometres, 'in nanometres'), at: field(place, 'where') }),
    'lowest work Z',
  ),
  firstApproach: optional(place, 'the first move towards the part in Z'),
  rapidBelowZero: optional(
    place,
    'the first move at rapid along X or Y while the tip is below Z zero of the work offset',
  ),
  spokenSpeed: optional(place, 'a speed that only a comment speaks of'),
  compensates: optional(boolean, 'cutter compensation is switched on (G41 or G42)'),
  speeds: field(numbers, 'rpm; the one that was set last stands last'),
  feeds: field(numbers, 'a minute, in the program’s own unit, as written'),
  cutMm: field(size, 'path at feed, millimetres'),
  rapidMm: field(size, 'path at rapid, millimetres'),
  cutMinutes: field(size, 'time at feed alone; moves whose feed is not known are left out'),
  uncertain: field(boolean, 'something in it was not followed: its extents may be too small'),
}

/** What is done with one tool between two tool changes. */
export type Operation = RecordOf<typeof OPERATION_FIELDS>

const PROBLEM_FIELDS = {
  code: field(oneOf([...PROGRAM_PROBLEMS, ...BLOCK_FAULTS]), 'what'),
  line: field(count, 'from 1'),
  column: field(count, 'from 1'),
  excerpt: field(excerpt, 'what stands there'),
}

export type ProgramProblem = RecordOf<typeof PROBLEM_FIELDS>
export type ProgramProblemCode = ProgramProblem['code']

const JUDGEMENT_FIELDS = {
  code: field(oneOf([...PROGRAM_JUDGEMENTS, ...NEED_JUDGEMENTS]), 'what'),
  severity: field(
    oneOf(['danger', 'look', 'note']),
    '`danger`: it can crash or scrap; `look`: it may be meant; `note`: good to know',
  ),
  ...PLACE_FIELDS,
  tool: optional(anyNumber, 'of which tool'),
  register: optional(anyNumber, 'of which register'),
  row: optional(excerpt, 'of which work offset'),
  axis: optional(oneOf(AXES), 'of which axis'),
  amount: optional(
    nanometres,
    'how far beyond the travel; how far from the jaws, below zero in them; or how far off its wall a substituted tool cuts, below zero into it',
  ),
  speed: optional(anyNumber, 'rpm that is called for'),
  limit: optional(anyNumber, 'rpm that is allowed'),
}

/** What the text of a program tells by itself. */
export type TextJudgement = RecordOf<typeof JUDGEMENT_FIELDS>
export type ProgramJudgementCode = TextJudgement['code']

export const PROGRAM_READING_FIELDS = {
  lines: field(count, 'how many it has'),
  header: field(
    listOf(comment, { most: 100 }),
    'comments before the first tool and the first move: often the set-up sheet',
  ),
  unit: optional(oneOf(LENGTH_UNITS), 'the first unit that is set; none where none is'),
  operations: field(listOf(recordOf(OPERATION_FIELDS), { most: 2000 }), 'one for each tool change'),
  problems: field(
    listOf(recordOf(PROBLEM_FIELDS), { most: 1000 }),
    'what could not be followed, or is wrong in a line; none is fatal',
  ),
  judgements: field(listOf(recordOf(JUDGEMENT_FIELDS), { most: 1000 }), 'what a machinist is told'),
  leftOut: field(count, 'problems and judgements beyond the first so many: counted, not kept'),
  writesOffsets: field(
    listOf(place, { most: 1000 }),
    'where the program itself writes work offsets',
  ),
}

export type ProgramReading = RecordOf<typeof PROGRAM_READING_FIELDS>
