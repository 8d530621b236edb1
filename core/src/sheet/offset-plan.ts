import {
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  oneOf,
  optional,
  recordOf,
  register,
  row,
  variants,
  type RecordOf,
  type ValueOf,
} from '../fields/shape'
import { FACES, SIDES, type Side } from '../touch/touch'

const face = oneOf(FACES)
const side = field(oneOf(SIDES), 'of the part’s outside, or a wall of a slot or pocket')
/** What the program calls what was touched. */
const drawing = (what: string) => field(length, `what the program calls that ${what}`)

const AXIS_PLAN = variants('by', {
  'one-face': { face: field(face, 'which is touched'), side, drawing: drawing('face') },
  'two-faces': {
    side,
    size: optional(
      lengthAboveZero,
      'distance of the two faces on the drawing; where nobody knows it, the middle is taken unchecked',
    ),
    tolerance: optional(lengthNotNegative, 'how far the implied size may differ'),
    drawing: drawing('middle'),
  },
  // Centre of a bore (inside) or a boss (outside) from three or more touches around it.
  circle: {
    side,
    diameter: field(lengthAboveZero, 'of the bore or boss'),
    tolerance: field(lengthNotNegative, 'how far the implied diameter may differ'),
    drawing: drawing('middle'),
  },
  // Centre of a bore or a boss by a dial that is swept around it.
  sweep: { side, drawing: drawing('middle') },
  // Outside corner of a part that may be turned: two touches on its front or back face, one on its left or right. X and Y are
  // found together, so both are planned this way.
  'turned-corner': { face: field(face, 'that meets in the corner'), drawing: drawing('corner') },
})

/** How X or Y of a work offset is found. */
export type AxisPlan = ValueOf<typeof AXIS_PLAN>

/** Which side of the feature an axis plan touches; a turned corner is always an outside one. */
export const sideOf = (plan: AxisPlan): Side =>
  plan.by === 'turned-corner' ? 'outside' : plan.side

const EVERY_Z = {
  facing: field(lengthNotNegative, 'how far program zero lies below the stock top'),
  quill: optional(
    recordOf({
      measured: field(lengthNotNegative, 'when Z is measured'),
      running: field(lengthNotNegative, 'when the program runs'),
      uncertainty: optional(
        lengthNotNegative,
        'standard uncertainty of each of the two: how well its scale is read',
      ),
    }),
    'how far a quill is out; fully in by default',
  ),
}

const Z_PLAN = variants('by', {
  'carried-difference': EVERY_Z,
  'nose-on-part': EVERY_Z,
  // Every tool was touched on this part's stock top: only the facing is left.
  'part-top': EVERY_Z,
  // A tool or sensor whose register is known stands on the stock top.
  'tool-on-part': { tool: field(register, 'which stands on the stock top'), ...EVERY_Z },
  // By the difference of the stock tops from a fixture that is listed earlier.
  'fixture-difference': {
    from: field(row, 'an earlier row, whose stock top it is counted from'),
    ...EVERY_Z,
  },
})

/** How Z of a work offset is found. */
export type ZPlan = ValueOf<typeof Z_PLAN>

export const OFFSET_PLAN_FIELDS = {
  row: field(row, '`G54` … `G59`, `G59.1` … `G59.3`, `G54.1 P1` … `G54.1 P300`'),
  X: field(
    AXIS_PLAN,
    'how X is found; circle, sweep and turned corner find both axes, so both say the same',
  ),
  Y: field(AXIS_PLAN, 'how Y is found'),
  Z: field(Z_PLAN, 'how Z is found; which ways a school has: [method.md](method.md#ways-of-z)'),
  edge: optional(
    recordOf({
      face: field(face, 'which'),
      tolerance: field(lengthNotNegative, 'what it may run out over the part’s length'),
    }),
    'an edge that is squared first',
  ),
  spared: optional(
    listOf(face, { most: 4 }),
    'outside faces that must not be touched: finished already, or soft',
  ),
}

export type OffsetPlan = RecordOf<typeof OFFSET_PLAN_FIELDS>
