import { lengthAddress, offsetAddress } from '../address/address'
import { valueOf } from '../chain/chain'
import { toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Shown } from '../registers/register'
import { isToolByTool, lengthAddressOf, zAddress } from '../sheet/tool-rows'
import { SourceReader } from '../sources/sources'

/** What is in the spindle, and the length that is active with it. */
export interface ActiveTool {
  readonly tool: number | undefined
  /** The H that is called, where it is not the one that the sheet gives the tool; null where no length is active. */
  readonly lengthRegister?: number | null | undefined
}

/** From work positions to machine positions, with today's numbers. */
export interface MachineFrame {
  /**
   * Machine position at which the tip stands on work zero: EXT + WCS, and in Z the length of the H row as
   * the control applies it, or WCS as it was set with this tool. Undefined while one of them is missing.
   */
  readonly workZero: (
    row: OffsetRow,
    axis: MachineAxis,
    active: ActiveTool,
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
  const byTool = isToolByTool(document.sheet)
  const storedLength = ({ tool = -1, lengthRegister }: ActiveTool) => {
    // Without lengths in the control nothing is added, whatever a program calls.
    if (byTool || lengthRegister === null) return 0
    const address =
      lengthRegister === undefined
        ? lengthAddressOf(document.sheet, tool)
        : lengthAddress(lengthRegister)
    return address && values.get(address)
  }
  return {
    workZero(row, axis, active) {
      const external = sources.externalOffset(axis)
      const { tool = -1 } = active
      const offset = values.get(
        axis === 'Z' ? zAddress(document.sheet, row, tool) : offsetAddress(row, axis),
      )
      const stored = axis === 'Z' ? storedLength(active) : 0
      return external === undefined || offset === undefined || stored === undefined
        ? undefined
        : toNanometres(valueOf(external) + offset + turned * stored)
    },
    travel: (axis) => ({
      min: nanometresOf(machine.travels?.[axis]?.min),
      max: nanometresOf(machine.travels?.[axis]?.max),
    }),
  }
}
