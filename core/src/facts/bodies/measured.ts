import {
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  name,
  oneOf,
  optional,
  recordOf,
  toolOfSheet,
  type RecordOf,
} from '../../fields/shape'

/** A feature of the first part, beside what it should be. */
export const MEASURED_FIELDS = {
  feature: field(
    oneOf(['outside-width', 'inside-width', 'floor-depth', 'thickness']),
    '`thickness` is of a calibration cut: a soft block that this tool cut from one side or from two',
  ),
  name: optional(name, 'what the drawing calls it: by this it is known again at the next part'),
  tool: field(toolOfSheet, 'that cut it'),
  nominal: field(lengthAboveZero, 'what it should be'),
  measured: field(lengthAboveZero, 'what it is'),
  more: optional(
    listOf(lengthAboveZero, { most: 100 }),
    'further readings of the same, of which the mean is taken',
  ),
  tolerance: optional(
    recordOf({
      upper: field(length, 'its upper limit, from nominal'),
      lower: optional(
        length,
        'its lower limit, from nominal; as far below as the upper one is above, where it is left out',
      ),
    }),
    'what the drawing allows',
  ),
  instrument: optional(
    recordOf({
      name: field(name, 'what it is called'),
      repeatability: field(lengthNotNegative, 'one standard deviation of a reading with it'),
      uncertainty: field(
        lengthNotNegative,
        'standard uncertainty of its own, from its certificate',
      ),
    }),
    'what it was measured with: without it nothing says how surely',
  ),
  sides: optional(oneOf([1, 2]), 'sides of a block that were cut; 1 by default'),
}

export type Measured = RecordOf<typeof MEASURED_FIELDS>

/** What a part is measured with. */
export type MeasuringGauge = NonNullable<Measured['instrument']>
