import {
  byAxis,
  field,
  length,
  listOf,
  oneOf,
  optional,
  recordOf,
  rowOfSheet,
  sentence,
  toolOfSheet,
  variants,
  yes,
  type RecordOf,
  type ValueOf,
} from '../../fields/shape'
import { AXES } from '../../address/row'
import type { Entered } from '../../journal/entered'
import { MEASURED_FIELDS } from './measured'

const MARK_FIELDS = {
  dial: optional(length, 'what its dial shows'),
  coarse: optional(length, 'what its coarse scale shows'),
  dialFalls: optional(yes, 'the dial counts down as the axis moves towards plus'),
}

/** Where an axis without switches stands: what its dial and its coarse scale show, of those that it has. */
export type AxisMark = RecordOf<typeof MARK_FIELDS>

const marks = byAxis(recordOf(MARK_FIELDS))

/** By axis; one that has neither dial nor scale is not there. */
export type AxisMarks = ValueOf<typeof marks>

const leftOut = { leftOut: optional(sentence, 'why it was left out, where it was') }
const seenTo = {
  because: optional(
    sentence,
    'why it is as it should be although the sheet speaks against it: a grip that is small, say',
  ),
  ...leftOut,
}

/** What is seen to rather than read; each once in a set-up, and again after what undoes it. */
export const CHECK_OFF = variants('of', {
  home: {
    marks: optional(marks, 'what dials and scales show at home'),
    axes: optional(
      listOf(oneOf(AXES), { least: 1, most: AXES.length }),
      'which axes were homed, on a machine that homes each by itself; all of them by default',
    ),
    ...leftOut,
  },
  'part-zero': {
    row: field(rowOfSheet, 'which work offset'),
    marks: field(
      marks,
      'what dials and scales show at its X and Y zero: it is found by them without the machine’s zero',
    ),
    ...leftOut,
  },
  clean: seenTo,
  gauges: seenTo,
  holding: seenTo,
  program: seenTo,
  look: seenTo,
  cut: {
    tool: field(toolOfSheet, 'one tool at a time: the program was run with it'),
    ...leftOut,
  },
  'air-cut': {
    how: optional(oneOf(['lifted', 'graphics']), 'how the dry run was made'),
    ...leftOut,
  },
  'first-part': {
    measured: field(
      listOf(recordOf(MEASURED_FIELDS), { most: 100 }),
      'what was measured: [First part](#first-part)',
    ),
    ...leftOut,
  },
})

export type CheckOffBody = ValueOf<typeof CHECK_OFF>

export type CheckOff = Entered & CheckOffBody
