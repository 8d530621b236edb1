import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../setup/document'
import type { MachineAxis, OffsetRow } from '../setup/sheet'
import type { Solution } from '../setup/solution'

/** A work position that a program goes to with a tool. */
export interface WorkPosition {
  readonly row: OffsetRow
  readonly tool: number
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
  solution: Solution,
  positions: readonly WorkPosition[],
): readonly OutOfReach[] {
  const values = new Map(solution.registers.map(({ address, value }) => [address, value] as const))
  const { machine, tools } = document.sheet
  const declared = (written: Parameters<typeof readLength>[0] | undefined): number | undefined => {
    const read = written && readLength(written)
    return read?.ok ? read.value.nm : undefined
  }
  return positions.flatMap((position) =>
    (['X', 'Y', 'Z'] as const).flatMap((axis): OutOfReach[] => {
      const work = position[axis]
      const offset = values.get(`${position.row}.${axis}`)
      const tool = tools.find(({ number }) => number === position.tool)
      const stored = tool && values.get(`H${tool.lengthRegister}`)
      if (work === undefined || offset === undefined || (axis === 'Z' && stored === undefined))
        return []
      const turned = machine.control.lengthSign === 'subtracted' ? -1 : 1
      const length = axis === 'Z' ? turned * (stored ?? 0) : 0
      const at = (declared(machine.externalOffset?.[axis]) ?? 0) + offset + length + work
      const [min, max] = [
        declared(machine.travels?.[axis]?.min),
        declared(machine.travels?.[axis]?.max),
      ]
      if (min !== undefined && at < min)
        return [
          { position, axis, machine: toNanometres(at), beyond: toNanometres(min - at), end: 'min' },
        ]
      if (max !== undefined && at > max)
        return [
          { position, axis, machine: toNanometres(at), beyond: toNanometres(at - max), end: 'max' },
        ]
      return []
    }),
  )
}
