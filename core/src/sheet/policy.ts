import type { MachinePolicy, SetupSheet } from './sheet'

/** What both ask: a second look where either does, and the lower age. */
export function stricterOf(
  one: MachinePolicy | undefined,
  other: MachinePolicy | undefined,
): MachinePolicy | undefined {
  if (one === undefined || other === undefined) return one ?? other
  const ages = [one.maxAgeDays, other.maxAgeDays].filter((days) => days !== undefined)
  return {
    ...(ages.length > 0 && { maxAgeDays: Math.min(...ages) }),
    ...((one.secondLook || other.secondLook) && { secondLook: true }),
  }
}

/** Whether a policy asks less than the one before it: a look that falls away, or readings that may grow older. */
export function asksLess(
  now: MachinePolicy | undefined,
  before: MachinePolicy | undefined,
): boolean {
  const losesLook = before?.secondLook === true && now?.secondLook !== true
  const age = (policy: MachinePolicy | undefined) => policy?.maxAgeDays ?? Infinity
  return losesLook || age(now) > age(before)
}

/** The shop's machine that a sheet is for: by its id, or by its name where a file tells no more. */
export const shopMachineOf = <Machine extends { readonly name: string }>(
  machines: readonly { readonly id: string; readonly machine: Machine }[],
  {
    machineId,
    machine,
  }: Pick<SetupSheet, 'machineId'> & {
    readonly machine?: Pick<SetupSheet['machine'], 'name'>
  },
): { readonly id: string; readonly machine: Machine } | undefined =>
  machines.find(({ id }) => id === machineId) ??
  machines.find((one) => one.machine.name === machine?.name)
