import { isOffsetRow, type MachineAxis, type OffsetRow } from './row'

// The one place where a register's address is written and read as text.

export type LengthAddress = `H${number}`
export type DiameterAddress = `D${number}`
export type OffsetAddress = `${OffsetRow}.${MachineAxis}`
/** Z of a row with one tool in the spindle, on a control that keeps no lengths: `G54.Z.T2`. */
export type ToolOffsetAddress = `${OffsetRow}.Z.T${number}`

/** The row of the control that holds a number: `H3`, `D3`, `G54.Z`, `G54.1 P2.Z`; with the tool where it is set anew with each. */
export type Address = LengthAddress | DiameterAddress | OffsetAddress | ToolOffsetAddress

/** What an address says. */
export type AddressParts =
  | { readonly of: 'length'; readonly register: number }
  | { readonly of: 'diameter'; readonly register: number }
  | {
      readonly of: 'work-offset'
      readonly row: OffsetRow
      readonly axis: MachineAxis
      /** The tool that Z is set with, where it is set anew with each. */
      readonly tool?: number
    }

/**
 * @example lengthAddress(3) // 'H3'
 */
export const lengthAddress = (register: number): LengthAddress => `H${register}`
/**
 * @example diameterAddress(21) // 'D21'
 */
export const diameterAddress = (register: number): DiameterAddress => `D${register}`
/**
 * @example offsetAddress('G54', 'Z') // 'G54.Z'
 */
export const offsetAddress = (row: OffsetRow, axis: MachineAxis): OffsetAddress => `${row}.${axis}`
/**
 * @example toolOffsetAddress('G54', 2) // 'G54.Z.T2'
 */
export const toolOffsetAddress = (row: OffsetRow, tool: number): ToolOffsetAddress =>
  `${row}.Z.T${tool}`

/**
 * Reads an address; undefined for what is none.
 *
 * @example addressParts('G54.1 P7.X') // { of: 'work-offset', row: 'G54.1 P7', axis: 'X' }
 */
export function addressParts(text: string): AddressParts | undefined {
  const numbered = /^([HD])(\d{1,3})$/.exec(text)
  if (numbered !== null)
    return {
      of: numbered[1] === 'H' ? 'length' : 'diameter',
      register: Number(numbered[2]),
    }
  const [, row = '', axis, , tool] = /^(.+)\.([XY]|Z(\.T(\d{1,3}))?)$/.exec(text) ?? []
  if (!isOffsetRow(row)) return undefined
  return {
    of: 'work-offset',
    row,
    axis: axis?.charAt(0) as MachineAxis,
    ...(tool !== undefined && { tool: Number(tool) }),
  }
}

/**
 * The axis that a register speaks of: a length is read in Z.
 *
 * @example axisOfAddress('H3') // 'Z'
 */
export function axisOfAddress(address: Address): MachineAxis {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? parts.axis : 'Z'
}

/**
 * The work offset row of `G54.X` or `G59.1.Z`; undefined for `H3`, which is of no row.
 *
 * @example rowOfAddress('G59.1.Z') // 'G59.1'
 */
export function rowOfAddress(address: string): OffsetRow | undefined {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? parts.row : undefined
}

/**
 * Whether a register is the needed one, or an axis of the needed row: `G59.1.X` is of G59.1 and not of G59.
 *
 * @example isOf('G59.1.X', 'G59') // false
 */
export const isOf = (address: string, needed: string): boolean =>
  address === needed || rowOfAddress(address) === needed

/**
 * The row of the control itself: Z of a row is one number there, whichever tool it was set with.
 *
 * @example controlRow('G54.Z.T2') // 'G54.Z'
 */
export function controlRow(address: Address): Address {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? offsetAddress(parts.row, parts.axis) : address
}

/**
 * A register as a person calls it: `G54 X`, `G59.1 Z`, `G54.1 P2 Z`, `H3`, `G54 Z with T2`.
 *
 * @example registerName('G54.Z.T2') // 'G54 Z with T2'
 */
export function registerName(address: string): string {
  const parts = addressParts(address)
  if (parts?.of !== 'work-offset') return address
  const name = `${parts.row} ${parts.axis}`
  return parts.tool === undefined ? name : `${name} with T${parts.tool}`
}
