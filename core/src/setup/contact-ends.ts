import type { Quantity, Reading, SetupDocument, Way } from './document'
import { sideOf, type Gauge, type MachineAxis } from './sheet'
import { GAUGE_FACTS, type GaugePurpose } from '../touch/gauge-kinds'
import { approachDirection, axisOfFace, type PlanAxis } from '../touch/touch'

/** One contact of a reading: a difference on the counter has two, everything else one. */
export interface ContactEnd {
  /** +1 where the reading's own end is, −1 where a difference is counted from. */
  readonly share: 1 | -1
  /** Ids of what lay between, or stood in the spindle. */
  readonly gauges: readonly string[]
  /** The way the axis came, where it was said. */
  readonly approach: Way | undefined
  /** It was made on the setting plane: there a gauge's foot may stand higher or lower. */
  readonly onPlane: boolean
}

type DifferenceReading = Extract<Reading, { of: 'carried-difference' | 'fixture-difference' }>

export const isDifference = (reading: Reading): reading is DifferenceReading =>
  reading.of === 'carried-difference' || reading.of === 'fixture-difference'

/** Both contacts of a difference, or the only one of a touch. */
export function endsOf(reading: Reading): readonly [ContactEnd, ...ContactEnd[]] {
  const own: ContactEnd = {
    share: 1,
    gauges: reading.with,
    approach: reading.approach,
    onPlane: reading.of === 'nose-on-plane' || reading.of === 'tip-on-plane',
  }
  if (reading.of === 'carried-difference')
    return [
      own,
      {
        share: -1,
        gauges: reading.withOnPlane,
        approach: reading.approachOnPlane,
        onPlane: true,
      },
    ]
  if (reading.of === 'fixture-difference')
    return [
      own,
      {
        share: -1,
        // The same thing lay beneath at both, met the same way, where nothing else is said.
        gauges: reading.withOnFrom ?? reading.with,
        approach:
          reading.approachOnFrom ??
          (reading.withOnFrom === undefined ? reading.approach : undefined),
        onPlane: false,
      },
    ]
  return [own]
}

/** The way of a Z contact: as it was said, else rising where something is slid under, else lowering. */
export function wayInZ(
  { gauges, approach }: ContactEnd,
  known: (ids: readonly string[]) => readonly Gauge[],
): Way {
  return approach ?? (known(gauges).some(({ kind }) => GAUGE_FACTS[kind].rises) ? '+' : '-')
}

/**
 * The way an axis came in a plane; undefined where nobody can tell. A face is met the way its name says. Along a
 * face the axis was only moved to its place, which counts as towards minus; a place where a dial was swept is
 * reached from anywhere.
 *
 * @param radial the way that a touch around a circle points in this axis, where it is one.
 */
export function wayInPlane(
  reading: Reading,
  axis: PlanAxis,
  { sheet }: Pick<SetupDocument, 'sheet'>,
  radial?: Way,
): Way | undefined {
  const said = 'approaches' in reading ? reading.approaches?.[axis] : undefined
  if (said !== undefined) return said
  if (reading.of === 'face' || reading.of === 'edge-point') {
    if (axisOfFace(reading.face) !== axis) return '-'
    if (reading.approach !== undefined) return reading.approach
    const plan = sheet.offsets.find(({ row }) => row === reading.row)?.[axis]
    const side = plan && reading.of === 'face' ? sideOf(plan) : 'outside'
    return approachDirection(reading.face, side) > 0 ? '+' : '-'
  }
  if (axis === 'X' && reading.approach !== undefined) return reading.approach
  return reading.of === 'circle-point' ? (radial ?? '-') : undefined
}

/** The axes that a reading is read on. */
export const axesRead = (
  quantity: Pick<Quantity, 'of'>,
  own: MachineAxis,
): readonly MachineAxis[] =>
  quantity.of === 'circle-point' || quantity.of === 'edge-point' || quantity.of === 'sweep'
    ? ['X', 'Y']
    : [own]

/** What a reading wants a gauge for. */
export function purposeOf(of: Quantity['of']): GaugePurpose {
  switch (of) {
    case 'sweep':
      return 'sweep'
    case 'tool-diameter':
      return 'diameter'
    case 'carried-difference':
    case 'fixture-difference':
      return 'difference'
    default:
      return 'touch'
  }
}
