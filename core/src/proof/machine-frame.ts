import { lengthAddress, offsetAddress } from '../address/address'
import { valueOf } from '../chain/chain'
import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Shown } from '../registers/register'
import { SourceReader } from '../sources/sources'

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

export function machineFrame(document: SetupDocument, solution: Shown): MachineFrame {
  const { machine } = document.sheet
  const values = new Map(solution.registers.map(({ address, value }) => [address, value] as const))
  const sources = new SourceReader(document)
  const turned = machine.control.lengthSign === 'subtracted' ? -1 : 1
  const declared = (written: Parameters<typeof readLength>[0] | undefined) => {
    const read = written && readLength(written)
    return read?.ok ? read.value.nm : undefined
  }
  const storedIn = (lengthRegister: number | undefined) =>
    lengthRegister === undefined ? undefined : values.get(lengthAddress(lengthRegister))
  return {
    workZero(row, axis, lengthRegister) {
      const external = sources.externalOffset(axis)
      const offset = values.get(offsetAddress(row, axis))
      const stored = axis !== 'Z' || lengthRegister === null ? 0 : storedIn(lengthRegister)
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
