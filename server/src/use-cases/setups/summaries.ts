import type { SetupSummary } from '@pine/contract'
import { isReleased, putAway, underPolicy } from '@pine/core/facts'
import { oldFrom } from '@pine/core/freshness'
import { nextStep, stepsOf } from '@pine/core/plan'
import { type MachinePolicy } from '@pine/core/sheet'
import { toolUses, type AssemblyUse } from '@pine/core/running'
import { formatLength } from '@pine/core/length'
import { isRemark } from '@pine/core/registers'
import { solve, type Solution } from '@pine/core/solve'
import { describeWarning, typographic } from '@pine/core/words'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { SetupCache, SetupStreams, type LoadedSetup } from '../facts/set-up-streams'
import { machinesOf, policyOf } from '../shop'

/**
 * A set-up as the list shows it.
 *
 * @param policy what the shop asks of its machine now.
 */
export const summaryOf = (setup: LoadedSetup, now: string, policy?: MachinePolicy): SetupSummary =>
  standingOf(setup, now, policy).summary

/** The same, with what it tells of the shop's own tools. */
export function standingOf(
  { id, document: asWritten, facts, createdBy, createdAt }: LoadedSetup,
  now: string,
  policy?: MachinePolicy,
): { readonly summary: SetupSummary; readonly uses: readonly AssemblyUse[] } {
  const document = underPolicy(asWritten, policy)
  const { sheet } = document
  const solution = solve(document, { now }, { explains: false })
  const steps = stepsOf(document, solution, isReleased(document))
  const last = facts.at(-1)
  const away = putAway(document)
  const summary = {
    id,
    name: sheet.name,
    machine: sheet.machine.name,
    unit: sheet.unit,
    createdAt: createdAt.toISOString(),
    changedAt: last?.at ?? createdAt.toISOString(),
    changedBy: last?.by.name ?? createdBy.name,
    stepsDone: steps.filter(({ done }) => done).length,
    stepsTotal: steps.length,
    nextStation: nextStep(steps)?.step.station ?? null,
    recorded: document.records.length > 0,
    warnings: solution.warnings.length,
    blocks: blocksOf(solution),
    oldFrom: nextOld(solution, sheet.machine.policy?.maxAgeDays),
    away: away === undefined ? null : { by: away.by.name, at: away.at },
    machineId: sheet.machineId ?? null,
  }
  return { summary, uses: toolUses(document, solution) }
}

/** The first thing that disagrees, in its first sentence; else how many numbers no longer hold. */
function blocksOf({ warnings, registers, unit, decimals }: Solution): string | null {
  const warning = warnings.find((one) => !isRemark(one))
  if (warning !== undefined) {
    const words = describeWarning(
      warning,
      (nm) => `${typographic(formatLength(nm, unit, decimals))} ${unit}`,
    )
    return /^.+?\.(?= |$)/.exec(words)?.[0] ?? words
  }
  const stale = registers.filter(({ state }) => state === 'stale').length
  if (stale === 0) return null
  return stale === 1 ? 'One number no longer holds.' : `${stale} numbers no longer hold.`
}

/** From when on another number is too old; one that is too old now will not be any more so. */
function nextOld({ registers }: Solution, days: number | undefined): string | null {
  const young = registers.flatMap(({ chain, stale }) =>
    chain === undefined || stale?.by === 'age' ? [] : [chain],
  )
  const moment = days === undefined ? undefined : oldFrom(young, days)
  return moment === undefined ? null : new Date(moment).toISOString()
}

/**
 * Writes all that is worked out of facts anew: the list of set-ups, what they tell of tools, and what tools are. Facts stay as they
 * are; whoever keeps a copy of a database that lost one of these has them again by it.
 */
export async function rebuildAll(store: Store, clock: Clock): Promise<number> {
  await store.renewTools()
  // Each is opened once: keeping many at hand would only take memory.
  const streams = new SetupStreams(store, new SetupCache(1000))
  const machines = await machinesOf(store)
  const ids = await store.setupIds()
  for (const id of ids) {
    const setup = await streams.open(id)
    if (setup === undefined) continue
    const policy = policyOf(machines, setup.document.sheet)
    const { summary, uses } = standingOf(setup, clock().toISOString(), policy)
    await store.keepStanding(summary, uses)
  }
  return ids.length
}

/** Writes what the list shows of set-ups from before there were summaries; the facts tell it at any time. */
export async function fillSummaries(store: Store, clock: Clock): Promise<void> {
  const streams = new SetupStreams(store, new SetupCache(1000))
  for (const id of await store.withoutSummary()) {
    const setup = await streams.open(id)
    if (setup !== undefined) await store.addSummary(summaryOf(setup, clock().toISOString()))
  }
}
