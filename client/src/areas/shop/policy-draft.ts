import { asksLess, type MachineDeclaration, type Proves } from '@pine/core/sheet'
import type { WrittenLength } from '@pine/core/length'
import { lengthWords } from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'
import { lengthProblem } from './length-problem'

/** What a shop asks before a part is cut on a machine, while it is being changed. */
export interface PolicyDraft {
  readonly secondLook: 'yes' | 'no'
  readonly proves: Proves
  /** Days, as typed; empty where readings never grow too old. */
  readonly days: string
  /** The least that jaws are to hold, as typed; empty where it is left to practice. */
  readonly grip: string
  /** How many lengths that are taken over are touched again, as typed; empty where it is left to practice. */
  readonly checks: string
  readonly reason: string
}

export const PROVES_OPTIONS = [
  { value: 'all', label: 'every tool that was touched' },
  { value: 'riskiest', label: 'the riskiest, and each work offset' },
] as const satisfies readonly { value: Proves; label: string }[]

export const PROVES_NOTE =
  'The riskiest: the longest, those never measured in their holder, those that stand in for another, those whose reading was a surprise.'

export const policyDraft = ({ policy }: MachineDeclaration): PolicyDraft => ({
  secondLook: policy?.secondLook === true ? 'yes' : 'no',
  proves: policy?.proves ?? 'all',
  days: policy?.maxAgeDays === undefined ? '' : String(policy.maxAgeDays),
  grip: policy?.leastGrip === undefined ? '' : gripText(policy.leastGrip),
  checks: policy?.keptChecks === undefined ? '' : String(policy.keptChecks),
  reason: '',
})

export interface ChangedPolicy {
  readonly machine: MachineDeclaration
  readonly reason: string | undefined
}

/** The machine with what is asked of it from now on, or what is still to be said. */
export function changedPolicy(
  machine: MachineDeclaration,
  { secondLook, proves, days, grip, checks, reason: typed }: PolicyDraft,
): FormOutcome<PolicyDraft, ChangedPolicy> {
  const { policy: before, ...rest } = machine
  const age = days.trim() === '' ? undefined : Number(days)
  if (age !== undefined && !(age > 0 && age <= 3650))
    return { problems: { days: 'Type days, from 1 to 3650, or nothing.' } }
  const leastGrip = grip.trim() === '' ? undefined : { text: grip.trim(), unit: 'mm' as const }
  const wrongGrip = leastGrip && lengthProblem(leastGrip, { sign: 'positive' })
  if (wrongGrip !== undefined) return { problems: { grip: wrongGrip } }
  const keptChecks = checks.trim() === '' ? undefined : Number(checks)
  if (keptChecks !== undefined && !(keptChecks >= 1 && keptChecks <= 100))
    return { problems: { checks: 'Type how many, from 1 to 100, or nothing.' } }
  const policy = {
    ...(age !== undefined && { maxAgeDays: age }),
    ...(secondLook === 'yes' && { secondLook: true }),
    ...(proves === 'riskiest' && { proves }),
    ...(leastGrip && { leastGrip }),
    ...(keptChecks !== undefined && { keptChecks }),
  }
  const reason = typed.trim() === '' ? undefined : typed.trim()
  if (asksLess(policy, before) && reason === undefined)
    return {
      problems: { reason: 'Less is asked than before: say why. It stays with the change.' },
    }
  return { made: { machine: { ...rest, policy }, reason } }
}

/** What a shop asks, in a few words; undefined where it asks nothing. */
export function policyWords({ policy }: MachineDeclaration): string | undefined {
  const demands = [
    ...(policy?.secondLook ? ['another person looks before a part is cut'] : []),
    ...(policy?.proves === 'riskiest' ? ['the riskiest tools are proven'] : []),
    ...(policy?.leastGrip === undefined
      ? []
      : [`jaws hold at least ${lengthWords(policy.leastGrip)}`]),
    ...(policy?.keptChecks === undefined
      ? []
      : [`${policy.keptChecks} of the reused lengths touched again`]),
    ...(policy?.maxAgeDays === undefined ? [] : [`readings hold for ${policy.maxAgeDays} days`]),
  ]
  return demands.length === 0 ? undefined : demands.join(' · ')
}

/** A grip as it is typed again: with its unit, where that is not the form's. */
const gripText = ({ text, unit }: WrittenLength): string =>
  unit === 'mm' || /[a-z]/i.test(text) ? text : `${text}${unit}`
