import { stricterOf } from '../sheet/policy'
import type { MachinePolicy } from '../sheet/machine'
import type { SetupDocument } from './document'

/**
 * A set-up under the policy that its machine has now: a sheet that was written before it, or by hand, asks no less.
 *
 * @param inForce what the shop asks of that machine; the sheet's own where it is not a machine of the shop.
 */
export function underPolicy(
  document: SetupDocument,
  inForce: MachinePolicy | undefined,
): SetupDocument {
  const { sheet } = document
  const policy = stricterOf(sheet.machine.policy, inForce)
  if (policy === undefined || inForce === undefined) return document
  return { ...document, sheet: { ...sheet, machine: { ...sheet.machine, policy } } }
}
