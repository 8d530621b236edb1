import { toNanometres, type Nanometres } from '../length/length'
import type { SetupDocument } from '../facts/document'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Shown } from '../registers/register'
import { machineFrame } from './machine-frame'

/** A work position that a program goes to with a tool. */
export interface WorkPosition {
  readonly row: OffsetRow
  readonly tool: number
  /** The H that is called, where it is not the one that the sheet gives the tool; null where no length is active. */
  readonly lengthRegister?: number | null
  readonly X?: Nanometres
  readonly Y?: Nanometres
  readonly Z?: Nanometres
}

/** An axis that a position needs more of than there is. */
export interface OutOfReach {
  readonly position: WorkPosition
  readonly axis: MachineAxis
  readonly machine: Nanometres
  /** How far beyond the travel. */
  readonly beyond: Nanometres
  readonly end: 'min' | 'max'
}

/**
 * Which positions lie outside the machine's travels with today's offsets: EXT + WCS + H + work position
 * against the declared ends. Positions whose registers are missing, and axes without travels, are passed over.
 */
export function outOfReach(
  document: SetupDocument,
  solution: Shown,
  positions: readonly WorkPosition[],
): readonly OutOfReach[] {
  const frame = machineFrame(document, solution)
  return positions.flatMap((position) => {
    const { row } = position
    return (['X', 'Y', 'Z'] as const).flatMap((axis): OutOfReach[] => {
      const work = position[axis]
      const zero = frame.workZero(row, axis, position)
      if (work === undefined || zero === undefined) return []
      const machine = toNanometres(zero + work)
      const { min, max } = frame.travel(axis)
      if (min !== undefined && machine < min)
        return [{ position, axis, machine, beyond: toNanometres(min - machine), end: 'min' }]
      if (max !== undefined && machine > max)
        return [{ position, axis, machine, beyond: toNanometres(machine - max), end: 'max' }]
      return []
    })
  })
}
