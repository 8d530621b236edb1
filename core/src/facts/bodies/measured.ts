import {
  field,
  lengthAboveZero,
  listOf,
  oneOf,
  optional,
  toolOfSheet,
  type RecordOf,
} from '../../fields/shape'

/** A feature of the first part, beside what it should be. */
export const MEASURED_FIELDS = {
  feature: field(
    oneOf(['outside-width', 'inside-width', 'floor-depth', 'thickness']),
    '`thickness` is of a calibration cut: a soft block that this tool cut from one side or from two',
  ),
  tool: field(toolOfSheet, 'that cut it'),
  nominal: field(lengthAboveZero, 'what it should be'),
  measured: field(lengthAboveZero, 'what it is'),
  more: optional(
    listOf(lengthAboveZero, { most: 100 }),
    'further readings of the same, of which the mean is taken',
  ),
  sides: optional(oneOf([1, 2]), 'sides of a block that were cut; 1 by default'),
}

export type Measured = RecordOf<typeof MEASURED_FIELDS>
