import { isDeepStrictEqual } from 'node:util'
import {
  machineSchema,
  reportProblem,
  shopGaugeSchema,
  type MachineEntry,
  type Person,
  type ShopGauge,
} from '@pine/contract'
import { readLength } from '@pine/core/length'
import { v7 as uuid } from 'uuid'
import type { Clock } from '../clock'
import { accept, refuse, refuseInput, type Outcome } from '../refusal'
import type { Insertion, Store } from '../store/store'

export const machinesOf = async (store: Store): Promise<readonly MachineEntry[]> =>
  (await store.declared('machine')).map(({ id, body }) =>
    machineSchema.parse({ id, machine: body }),
  )

export const gaugesOf = async (store: Store): Promise<readonly ShopGauge[]> =>
  (await store.declared('gauge')).map(({ id, body }) => shopGaugeSchema.parse({ id, gauge: body }))

/** Adds a machine of the shop. The same entry again is the same machine. */
export async function addMachine(
  store: Store,
  clock: Clock,
  person: Person,
  entry: MachineEntry,
): Promise<Outcome<MachineEntry>> {
  const written = await declare(store, clock, person, 'machine', entry.id, entry.machine)
  return kept(written, entry, await machinesOf(store))
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
  const written = await declare(store, clock, person, 'gauge', entry.id, entry.gauge)
  return kept(written, entry, await gaugesOf(store))
}

/** Begins the stream of a machine or a gauge with what it is declared to be. */
const declare = (
  store: Store,
  clock: Clock,
  person: Person,
  kind: 'machine' | 'gauge',
  id: string,
  body: object,
): Promise<Insertion> =>
  store.beginStream(
    { id, kind },
    { id: uuid(), kind, body, via: 'typed', personId: person.id, recordedAt: clock() },
  )

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
