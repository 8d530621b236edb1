import { nanometresOf } from '../length/read-length'
import type { SetupSheet } from './sheet'
import type { MachinePolicy } from './machine'

/** What both ask: a second look where either does, the lower age, and every proof unless both let some go. */
export function stricterOf(
  one: MachinePolicy | undefined,
  other: MachinePolicy | undefined,
): MachinePolicy | undefined {
  if (one === undefined || other === undefined) return inFull(one ?? other)
  const ages = [one.maxAgeDays, other.maxAgeDays].filter((days) => days !== undefined)
  return {
    ...(ages.length > 0 && { maxAgeDays: Math.min(...ages) }),
    ...((one.secondLook || other.secondLook) && { secondLook: true }),
    ...(provesRiskiest(one) && provesRiskiest(other) && { proves: 'riskiest' }),
    ...(grips(one) >= grips(other) ? gripOf(one) : gripOf(other)),
    ...((one.keptChecks ?? other.keptChecks) !== undefined && {
      keptChecks: Math.max(keptChecksOf(one), keptChecksOf(other)),
    }),
  }
}

/** The least grip that is asked for, in nanometres; 0 where a policy does not say. */
const grips = ({ leastGrip }: MachinePolicy): number => nanometresOf(leastGrip) ?? 0

/** So many of the lengths that are taken over are touched again, where a policy does not say. */
const KEPT_CHECKS = 2

export const keptChecksOf = (policy: MachinePolicy | undefined): number =>
  policy?.keptChecks ?? KEPT_CHECKS

const gripOf = ({ leastGrip }: MachinePolicy) => leastGrip && { leastGrip }

const provesRiskiest = (policy: MachinePolicy | undefined): boolean => policy?.proves === 'riskiest'

/** Where the other one says nothing, every tool is proven. */
function inFull(policy: MachinePolicy | undefined): MachinePolicy | undefined {
  if (policy?.proves === undefined) return policy
  const { proves: _, ...rest } = policy
  return rest
}

/** Whether a policy asks less than the one before it: a look, proofs, grip or checks that fall away, or readings that may grow older. */
export function asksLess(
  now: MachinePolicy | undefined,
  before: MachinePolicy | undefined,
): boolean {
  const losesLook = before?.secondLook === true && now?.secondLook !== true
  const age = (policy: MachinePolicy | undefined) => policy?.maxAgeDays ?? Infinity
  const losesProofs = provesRiskiest(now) && !provesRiskiest(before)
  const losesGrip = grips(now ?? {}) < grips(before ?? {})
  const losesChecks = keptChecksOf(now) < keptChecksOf(before)
  return losesLook || losesProofs || losesGrip || losesChecks || age(now) > age(before)
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
