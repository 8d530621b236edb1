import { valueOf } from '../chain/chain'
import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../setup/document'
import type { MachineAxis, OffsetRow } from '../setup/sheet'
import type { Solution } from '../setup/solution'
import { SourceReader } from '../setup/sources'

/** From work positions to machine positions, with today's numbers. */
export interface MachineFrame {
  /**
   * Machine position at which the tip stands on work zero: EXT + WCS, and in Z the length of the H row as
   * the control applies it; null where no length is active. Undefined while one of them is missing.
   */
  readonly workZero: (
    row: OffsetRow,
    axis: MachineAxis,
    lengthRegister: number | null | undefined,
  ) => Nanometres | undefined
  /** The declared ends of an axis; undefined where the machine does not say. */
  readonly travel: (axis: MachineAxis) => {
    readonly min: Nanometres | undefined
    readonly max: Nanometres | undefined
  }
}

export function machineFrame(document: SetupDocument, solution: Solution): MachineFrame {
  const { machine } = document.sheet
  const values = new Map(solution.registers.map(({ address, value }) => [address, value] as const))
  const sources = new SourceReader(document)
  const turned = machine.control.lengthSign === 'subtracted' ? -1 : 1
  const declared = (written: Parameters<typeof readLength>[0] | undefined) => {
    const read = written && readLength(written)
    return read?.ok ? read.value.nm : undefined
  }
  return {
    workZero(row, axis, lengthRegister) {
      const external = sources.externalOffset(axis)
      const offset = values.get(`${row}.${axis}`)
      const stored = axis === 'Z' && lengthRegister !== null ? values.get(`H${lengthRegister}`) : 0
      return external === undefined || offset === undefined || stored === undefined
        ? undefined
        : toNanometres(valueOf(external) + offset + turned * stored)
    },
    travel: (axis) => ({
      min: declared(machine.travels?.[axis]?.min),
      max: declared(machine.travels?.[axis]?.max),
    }),
  }
}
