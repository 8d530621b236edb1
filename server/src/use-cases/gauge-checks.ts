import {
  type GaugeHistory,
  type GaugeStandings,
  type GaugeUses,
  type Member,
  type SetupSummary,
  type ShopGauge,
  type SuspectSetups,
} from '@pine/contract'
import {
  type GaugeCheck,
  type GaugeCheckFact,
  type GaugeStanding,
  gaugeStanding,
} from '@pine/core/shop'
import type { Clock } from '../clock'
import { accept, type Outcome } from '../refusal'
import type { CheckRow, GaugeUseRow, Store } from '../store/store'
import { notAllowed } from './people/allowed'

import { gaugesOf, noGauge } from './shop'
import { notifySetup, type Shop } from './facts/notify-setups'

/** Every check of a gauge, in the order in which they were made. */
export async function gaugeHistory(store: Store, id: string): Promise<Outcome<GaugeHistory>> {
  const gauge = await gaugeOf(store, id)
  if (gauge === undefined) return noGauge(id)
  return accept({ gauge, checks: (await store.checks(id)).map(told) })
}

/** How each gauge that is watched stands now: when it was checked last, when it is due, whether it is suspect. */
export async function gaugeStandings(store: Store, clock: Clock): Promise<GaugeStandings> {
  const [gauges, rows] = await Promise.all([gaugesOf(store), store.checks()])
  const byGauge = new Map<string, CheckRow[]>()
  for (const row of rows) byGauge.set(row.gaugeId, [...(byGauge.get(row.gaugeId) ?? []), row])
  return gauges.flatMap((gauge) => {
    if (gauge.watch === undefined || gauge.retired) return []
    const standing = standingOf(gauge, byGauge.get(gauge.id) ?? [], clock())
    const last = standing?.checks.at(-1)
    return standing === undefined
      ? []
      : [
          {
            id: gauge.id,
            ...(last && { lastAt: last.at, offMm: last.offMm }),
            ...(standing.dueOn !== undefined && { dueOn: standing.dueOn }),
            isDue: standing.isDue,
            isSuspect: standing.suspectSince !== undefined,
          },
        ]
  })
}

/** The set-ups that were measured with a gauge since it was last known good; none while its last check was good. */
export async function suspectSetups(
  store: Store,
  clock: Clock,
  id: string,
): Promise<Outcome<SuspectSetups>> {
  const uses = await suspectUses(store, clock, id)
  if (!uses.ok) return uses
  return accept(
    uses.value.map(({ summary, from, readings, told }) => ({
      id: summary.id,
      name: summary.name,
      machine: summary.machine,
      from: from.toISOString(),
      readings,
      released: summary.recorded,
      untold: isWorkedOn(summary) && !told,
    })),
  )
}

/** So many set-ups are told that used a gauge; the older ones are found by their names. */
const MOST_USES = 30

/** The last set-ups that were measured with a gauge, whether it was good or not. */
export async function setupsUsing(store: Store, id: string): Promise<Outcome<GaugeUses>> {
  if ((await gaugeOf(store, id)) === undefined) return noGauge(id)
  const uses = await store.usesOf(id, new Date(0), MOST_USES)
  return accept(
    uses.map(({ summary: { id: setup, name, machine }, from, readings }) => ({
      ...{ id: setup, name, machine, readings },
      from: from.toISOString(),
    })),
  )
}

/** Tells every set-up that is worked on that a gauge failed its check; what was released stays as it was, and is listed. */
export async function tellSuspects(
  { store, clock, setups }: Shop,
  person: Member,
  id: string,
  telling: string,
): Promise<Outcome<SuspectSetups>> {
  const refusal = notAllowed(person, 'enter')
  if (refusal) return { ok: false, refusal }
  const uses = await suspectUses(store, clock, id)
  if (!uses.ok) return uses
  for (const { summary, told, lastGood } of uses.value)
    if (isWorkedOn(summary) && !told)
      await notifySetup(setups, person, telling, summary.id, {
        kind: 'check-failed',
        gauge: id,
        ...(lastGood !== undefined && { lastGood }),
      })
  return suspectSetups(store, clock, id)
}

async function suspectUses(
  store: Store,
  clock: Clock,
  id: string,
): Promise<Outcome<readonly GaugeUseRow[]>> {
  const gauge = await gaugeOf(store, id)
  if (gauge === undefined) return noGauge(id)
  const since = standingOf(gauge, await store.checks(id), clock())?.suspectSince
  return accept(since === undefined ? [] : await store.usesOf(id, new Date(since ?? 0)))
}

const isWorkedOn = ({ away, nextStation }: SetupSummary): boolean =>
  away === null && nextStation !== null

const gaugeOf = async (store: Store, id: string): Promise<ShopGauge | undefined> =>
  (await gaugesOf(store)).find((one) => one.id === id)

function standingOf(
  { watch }: ShopGauge,
  rows: readonly CheckRow[],
  now: Date,
): GaugeStanding | undefined {
  return watch && gaugeStanding(rows.map(asCheck), watch.limit, now.toISOString(), watch.everyDays)
}

const asCheck = ({ fact }: CheckRow): GaugeCheck => {
  const { read, master } = fact.body as GaugeCheckFact
  return { id: fact.id, at: fact.recordedAt.toISOString(), read, master }
}

const told = ({ fact }: CheckRow): GaugeHistory['checks'][number] => ({
  id: fact.id,
  ...(fact.body as GaugeCheckFact),
  by: fact.by.name,
  at: fact.recordedAt.toISOString(),
})
