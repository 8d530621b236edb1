import {
  addressParts,
  diameterAddress,
  lengthAddress,
  offsetAddress,
  toolOffsetAddress,
  type Address,
} from '../address/address'
import type { OffsetRow } from '../address/row'
import type { SetupSheet } from './sheet'
import type { ControlProfile } from './machine'

/** Whether a control keeps a length for each tool; where it does not, Z of a row is set anew with each tool. */
export const keepsLengths = ({ toolLengths }: Pick<ControlProfile, 'toolLengths'>): boolean =>
  toolLengths !== 'none'

/** Whether one tool after the other is set and cuts, because the control keeps no lengths. */
export const isToolByTool = ({ machine }: Pick<SetupSheet, 'machine'>): boolean =>
  !keepsLengths(machine.control)

type Registers = Pick<SetupSheet, 'machine' | 'tools'>

/** Z of a row as it is when a tool is in the spindle: one number for all tools, or one with each. */
export const zAddress = (
  sheet: Pick<SetupSheet, 'machine'>,
  row: OffsetRow,
  tool: number,
): Address => (isToolByTool(sheet) ? toolOffsetAddress(row, tool) : offsetAddress(row, 'Z'))

/** H of a tool; undefined on a control that keeps no lengths, and for a tool that is not on the sheet. */
export function lengthAddressOf({ machine, tools }: Registers, tool: number): Address | undefined {
  const register = tools.find(({ number }) => number === tool)?.lengthRegister
  return register === undefined || !keepsLengths(machine.control)
    ? undefined
    : lengthAddress(register)
}

/** Everything of a control that says where a tip stands in Z over a row: Z of the row and H, or Z with this tool. */
export function zRowsOf(sheet: Registers, row: OffsetRow, tool: number): readonly Address[] {
  const length = lengthAddressOf(sheet, tool)
  return [zAddress(sheet, row, tool), ...(length === undefined ? [] : [length])]
}

/** The register that tells of a tool itself: its H, or Z of the first row as it is set with it. */
export function registerOfTool(
  sheet: Registers & Pick<SetupSheet, 'offsets'>,
  tool: number,
): Address | undefined {
  const [first] = sheet.offsets
  return isToolByTool(sheet)
    ? first && toolOffsetAddress(first.row, tool)
    : lengthAddressOf(sheet, tool)
}

/** The tool whose length or diameter a register is, or with which Z of a row is set. */
export function toolOfRegister(
  { machine, tools }: Registers,
  address: Address,
): number | undefined {
  const parts = addressParts(address)
  if (parts?.of === 'work-offset') return parts.tool
  return tools.find(
    ({ number, diameterRegister }) =>
      lengthAddressOf({ machine, tools }, number) === address ||
      (diameterRegister !== undefined && diameterAddress(diameterRegister) === address),
  )?.number
}
