import type { MachineAxis } from './sheet'

/** The axis that a register speaks of: a length is read in Z, of a work offset its last letter says it. */
export const axisOfAddress = (address: string): MachineAxis =>
  address.endsWith('.X') ? 'X' : address.endsWith('.Y') ? 'Y' : 'Z'

/** The work offset row of `G54.X` or `G59.1.Z`; undefined for `H3`, which is of no row. */
export function rowOfAddress(address: string): string | undefined {
  const point = address.lastIndexOf('.')
  return /\.[XYZ]$/.test(address) ? address.slice(0, point) : undefined
}

/** Whether a register is the needed one, or an axis of the needed row: `G59.1.X` is of G59.1 and not of G59. */
export const isOf = (address: string, needed: string): boolean =>
  address === needed || rowOfAddress(address) === needed

/** A register as a person calls it: `G54 X`, `G59.1 Z`, `G54.1 P2 Z`, `H3`. */
export function registerName(address: string): string {
  const row = rowOfAddress(address)
  return row === undefined ? address : `${row} ${axisOfAddress(address)}`
}
