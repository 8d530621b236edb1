import { sideOf } from '../sheet/offset-plan'
import { type Gauge } from '../sheet/gauge'
import { type SetupSheet } from '../sheet/sheet'
import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { approachDirection, axisOfFace, type PlanAxis, type Way } from '../touch/touch'
import { moduleOf, type Quantity } from './quantities'
import { countedFrom } from './displayed'
import type { OwnEnd } from './quantity-module'

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

/** A reading without who entered it. */
type Contacts = Quantity & OwnEnd

export const isDifference = (quantity: Pick<Quantity, 'of'>): boolean =>
  moduleOf(quantity).otherEnd !== undefined

/** Both contacts of a difference, or the only one of a touch. */
export function endsOf(reading: Contacts): readonly [ContactEnd, ...ContactEnd[]] {
  const { onPlane = false, otherEnd } = moduleOf(reading)
  const own: ContactEnd = { share: 1, gauges: reading.with, approach: reading.approach, onPlane }
  // A counter that was zeroed on the same surface met the same things there.
  const { approach, gauges } = own
  const other =
    countedFrom(reading) === undefined
      ? otherEnd?.(reading, reading)
      : { gauges, approach, onPlane }
  return other === undefined ? [own] : [own, { share: -1, ...other }]
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
  reading: Contacts,
  axis: PlanAxis,
  { sheet }: { readonly sheet: SetupSheet },
  radial?: Way,
): Way | undefined {
  const approach = 'approaches' in reading ? reading.approaches?.[axis] : undefined
  if (approach !== undefined) return approach
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
