import { toNanometres } from '../length/length'
import { machineFrame } from '../proof/machine-frame'
import type { SetupDocument } from '../facts/document'
import { isOffsetRow, type MachineAxis } from '../address/row'
import type { Solution } from '../solve/solution'
import type { Extent, Extents, Operation, RowUse } from '../program/program-reading'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/**
 * Where an operation reaches in machine position, by work offset row, with today's numbers and the H that it
 * calls, or with none where none was active. An axis whose registers have no number yet is left out, and so is a row that the sheet cannot have.
 */
export function machineExtents(
  { tool, rows, lengths }: Operation,
  document: SetupDocument,
  solution: Solution,
): readonly Pick<RowUse, 'row' | 'extents'>[] {
  const frame = machineFrame(document, solution)
  const H = lengths[0]?.register
  return rows.flatMap((use) => {
    const { row } = use
    if (!isOffsetRow(row)) return []
    const inMachine = AXES.flatMap((axis): readonly [MachineAxis, Extent][] => {
      const ends = rangesOf(use, axis, H).flatMap(([register, range]) => {
        const zero = frame.workZero(row, axis, { tool, lengthRegister: register })
        return zero === undefined ? [] : range.map((end) => zero + end)
      })
      return ends.length === 0
        ? []
        : [[axis, [toNanometres(Math.min(...ends)), toNanometres(Math.max(...ends))]]]
    })
    return inMachine.length === 0
      ? []
      : [{ row, extents: Object.fromEntries(inMachine) satisfies Extents }]
  })
}

/** What an axis reaches with each length: in Z some of it may be reached with none active, null. */
export function rangesOf(
  { extents, bareZ, heldZ }: RowUse,
  axis: MachineAxis,
  H: number | undefined,
): readonly (readonly [register: number | null | undefined, range: Extent])[] {
  const range = extents[axis]
  if (range === undefined) return []
  if (axis !== 'Z' || bareZ === undefined) return [[H, range]]
  return [[null, bareZ], ...(heldZ === undefined ? [] : [[H, heldZ] as const])]
}
