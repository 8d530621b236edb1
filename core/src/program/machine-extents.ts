import { toNanometres } from '../length/length'
import { machineFrame } from '../proof/machine-frame'
import type { SetupDocument } from '../setup/document'
import { isOffsetRow, type MachineAxis } from '../setup/sheet'
import type { Solution } from '../setup/solution'
import type { Extent, Extents, Operation, RowUse } from './program-types'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/**
 * Where an operation reaches in machine position, by work offset row, with today's numbers and the H that it
 * calls. An axis whose registers have no number yet is left out, and so is a row that the sheet cannot have.
 */
export function machineExtents(
  { rows, lengths }: Operation,
  document: SetupDocument,
  solution: Solution,
): readonly Pick<RowUse, 'row' | 'extents'>[] {
  const frame = machineFrame(document, solution)
  const H = lengths[0]?.register
  return rows.flatMap(({ row, extents }) => {
    if (!isOffsetRow(row)) return []
    const inMachine = AXES.flatMap((axis): readonly [MachineAxis, Extent][] => {
      const zero = frame.workZero(row, axis, H)
      const range = extents[axis]
      return zero === undefined || range === undefined
        ? []
        : [[axis, [toNanometres(zero + range[0]), toNanometres(zero + range[1])]]]
    })
    return inMachine.length === 0
      ? []
      : [{ row, extents: Object.fromEntries(inMachine) satisfies Extents }]
  })
}
