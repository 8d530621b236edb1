import { isDeepStrictEqual } from 'node:util'
import { reportProblem, type MachineEntry, type Person, type ShopGauge } from '@pine/contract'
import { readLength } from '@pine/core'
import type { Clock } from '../clock'
import { accept, refuse, refuseInput, type Outcome } from '../refusal'
import type { Insertion, Store } from '../store/store'

/** Adds a machine of the shop. The same entry again is the same machine. */
export async function addMachine(
  store: Store,
  clock: Clock,
  person: Person,
  entry: MachineEntry,
): Promise<Outcome<MachineEntry>> {
  return kept(await store.addMachine(entry, person.id, clock()), entry, await store.machines())
}

/** Adds a gauge of the shop; its size must be a length above zero. */
export async function addGauge(
  store: Store,
  clock: Clock,
  person: Person,
  entry: ShopGauge,
): Promise<Outcome<ShopGauge>> {
  const size = readLength(entry.gauge.size, { place: 'gauge.size', sign: 'positive' })
  if (!size.ok) return refuseInput([reportProblem(size.problem)])
  return kept(await store.addGauge(entry, person.id, clock()), entry, await store.gauges())
}

function kept<Entry extends { readonly id: string }>(
  written: Insertion,
  entry: Entry,
  all: readonly Entry[],
): Outcome<Entry> {
  const same = all.find(({ id }) => id === entry.id)
  if (written === 'written' || isDeepStrictEqual(same, entry)) return accept(entry)
  return refuse('id-already-used', {
    place: 'id',
    message: 'This id was already used for something else.',
    expected: 'a new UUID for each new entry',
    received: entry.id,
    remedy: 'Send it again with a new id.',
  })
}
