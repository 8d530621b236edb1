import { readLength } from '../../length/read-length'
import type { SetupDocument } from '../../facts/document'
import type { Way } from '../../touch/touch'
import { moduleOf, type QuantityName } from '../../quantities/quantities'
import type { MachineAxis } from '../../address/row'
import { GAUGE_FACTS } from '../../touch/gauge-kinds'

/** Which end of a reading is asked about: its own, the other one of a difference, or an axis in a plane. */
export type WayEnd = 'own' | 'other' | 'X' | 'Y'

/** A screw whose side matters: from where an axis came, where its backlash is declared. */
export interface WayQuestion {
  readonly end: WayEnd
  readonly axis: MachineAxis
  /** What is counted where nothing is said: `touch` is the way that the touch itself points; undefined where nobody can tell. */
  readonly usual: Way | 'touch' | undefined
}

/**
 * From which sides a reading asks how its axes came. Nobody is asked on a machine that declares no backlash, nor at
 * a face: its name says it.
 *
 * @param own ids of what lies between at the reading's own end, or stands in the spindle.
 * @param other the same at the end that a difference is counted from.
 */
export function wayQuestions(
  { sheet }: SetupDocument,
  quantity: QuantityName,
  own: readonly string[],
  other: readonly string[],
): readonly WayQuestion[] {
  const declared = (axis: MachineAxis) => {
    const written = sheet.machine.lostMotion?.[axis]
    const read = written && readLength(written)
    return read?.ok === true && read.value.nm > 0
  }
  const inZ = (end: WayEnd, gauges: readonly string[]): WayQuestion => ({
    end,
    axis: 'Z',
    usual: sheet.gauges.some(({ id, kind }) => gauges.includes(id) && GAUGE_FACTS[kind].rises)
      ? '+'
      : '-',
  })
  const inPlane = (usual: 'touch' | undefined) =>
    (['X', 'Y'] as const).filter(declared).map((axis) => ({ end: axis, axis, usual }))
  switch (moduleOf(quantity).way) {
    case 'never':
      return []
    case 'unknown-in-plane':
      return inPlane(undefined)
    case 'touch-in-plane':
      return inPlane('touch')
    case 'both-ends':
      return declared('Z') ? [inZ('own', own), inZ('other', other)] : []
    case 'in-z':
      return declared('Z') ? [inZ('own', own)] : []
  }
}
