import { addressParts, axisOfAddress, type Address } from '../../address/address'
import type { WrittenLength } from '../../length/length'
import type { SetupSheet } from '../sheet'

/** What the job allows of a register, and where the sheet says so. */
export interface Need {
  readonly written: WrittenLength
  readonly place: string
}

/**
 * The need that a register is judged by: the depth for every length and every Z, the position for X
 * and Y; none for a diameter, or where the sheet does not say.
 *
 * @param address such as `H3`, `G54.Z`, `G54.X`.
 */
export function needOf(sheet: SetupSheet, address: Address): Need | undefined {
  if (addressParts(address)?.of === 'diameter') return undefined
  const inDepth = axisOfAddress(address) === 'Z'
  const written = inDepth ? sheet.needs?.depth : sheet.needs?.position
  return written && { written, place: `sheet.needs.${inDepth ? 'depth' : 'position'}` }
}
