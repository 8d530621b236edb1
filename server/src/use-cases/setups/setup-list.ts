import { SETUPS_A_PAGE, type SetupQuery } from '@pine/contract'
import type { Clock } from '../../clock'
import type { ListedQuery, Listed, Store } from '../../store/store'
import type { SetupWork } from '../../work/setup-work'
import type { SetupStreams } from '../facts/set-up-streams'
import { machineName, machinesOf, policyOf } from '../shop'

interface ListParts {
  readonly store: Store
  readonly clock: Clock
  readonly work: SetupWork
  readonly streams: SetupStreams
}

/** A page of the set-ups that are asked for, as JSON: a `SetupPage`. */
export async function listSetups(
  { store, clock, work, streams }: ListParts,
  { away, standing, machine, find = '', most = SETUPS_A_PAGE }: SetupQuery,
): Promise<string> {
  const now = clock().toISOString()
  const listedQuery: ListedQuery = {
    away: away === '1',
    standing,
    machine:
      machine === undefined
        ? undefined
        : { id: machine, name: machineName(await machinesOf(store), machine) },
    words: find.split(/\s+/).filter((word) => word !== ''),
    most,
  }
  const listed = await store.listed(listedQuery, now)
  if (!listed.isOvertaken) return asJson(listed)
  const machines = await machinesOf(store)
  for (const summary of await store.overtakenSummaries(now)) {
    // A number has grown too old since the last fact: the set-up stands otherwise than it was written down.
    const setup = await streams.open(summary.id)
    if (setup === undefined) continue
    const policy = policyOf(machines, setup.document.sheet)
    await store.renewSummary(summary, await work.summary(setup, { now, policy }))
  }
  return asJson(await store.listed(listedQuery, now))
}

const asJson = ({ json, total }: Listed): string => `{"total":${total},"setups":${json}}`
