import { isOffsetRow, type MachineAxis, type OffsetRow } from './row'

// The one place where a register's address is written and read as text.

export type LengthAddress = `H${number}`
export type DiameterAddress = `D${number}`
export type OffsetAddress = `${OffsetRow}.${MachineAxis}`

/** The row of the control that holds a number: `H3`, `D3`, `G54.Z`, `G54.1 P2.Z`. */
export type Address = LengthAddress | DiameterAddress | OffsetAddress

/** What an address says. */
export type AddressParts =
  | { readonly of: 'length'; readonly register: number }
  | { readonly of: 'diameter'; readonly register: number }
  | { readonly of: 'work-offset'; readonly row: OffsetRow; readonly axis: MachineAxis }

export const lengthAddress = (register: number): LengthAddress => `H${register}`
export const diameterAddress = (register: number): DiameterAddress => `D${register}`
export const offsetAddress = (row: OffsetRow, axis: MachineAxis): OffsetAddress => `${row}.${axis}`

/** Reads an address; undefined for what is none. */
export function addressParts(text: string): AddressParts | undefined {
  const numbered = /^([HD])(\d{1,3})$/.exec(text)
  if (numbered !== null)
    return {
      of: numbered[1] === 'H' ? 'length' : 'diameter',
      register: Number(numbered[2]),
    }
  const [, row = '', axis] = /^(.+)\.([XYZ])$/.exec(text) ?? []
  return isOffsetRow(row) ? { of: 'work-offset', row, axis: axis as MachineAxis } : undefined
}

/** The axis that a register speaks of: a length is read in Z. */
export function axisOfAddress(address: Address): MachineAxis {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? parts.axis : 'Z'
}

/** The work offset row of `G54.X` or `G59.1.Z`; undefined for `H3`, which is of no row. */
export function rowOfAddress(address: string): OffsetRow | undefined {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? parts.row : undefined
}

/** Whether a register is the needed one, or an axis of the needed row: `G59.1.X` is of G59.1 and not of G59. */
export const isOf = (address: string, needed: string): boolean =>
  address === needed || rowOfAddress(address) === needed

/** A register as a person calls it: `G54 X`, `G59.1 Z`, `G54.1 P2 Z`, `H3`. */
export function registerName(address: string): string {
  const parts = addressParts(address)
  return parts?.of === 'work-offset' ? `${parts.row} ${parts.axis}` : address
}
