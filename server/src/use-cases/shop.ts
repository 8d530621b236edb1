import { isDeepStrictEqual } from 'node:util'
import {
  reportProblem,
  type ChangedGauge,
  type ChangedMachine,
  type MachineEntry,
  type Member,
  type ShopGauge,
} from '@pine/contract'
import type { GaugeFact, MachineFact } from '@pine/core/shop'
import { readLength } from '@pine/core/length'
import {
  asksLess,
  checkMachine,
  shopMachineOf,
  type MachinePolicy,
  type SetupSheet,
} from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import type { Clock } from '../clock'
import { accept, refuse, refuseInput, type Outcome } from '../refusal'
import type { Insertion } from '../store/people-store'
import type { DeclaredRow, Store } from '../store/store'
import { notAllowed } from './allowed'

export async function machinesOf(store: Store): Promise<readonly MachineEntry[]> {
  const rows = await store.declared('machine')
  const known = parsed.get(rows) ?? rows.map(machineEntry)
  parsed.set(rows, known)
  return known
}

/** The same rows are read once: every new fact asks what the machines ask. */
const parsed = new WeakMap<readonly DeclaredRow[], readonly MachineEntry[]>()

function machineEntry({ id, body }: DeclaredRow): MachineEntry {
  const { reason: _why, retired, ...machine } = body as MachineFact
  return { id, machine, ...(retired && { retired }) }
}

export const gaugesOf = async (store: Store): Promise<readonly ShopGauge[]> =>
  (await store.declared('gauge')).map(({ id, body }) => {
    const { reason: _why, retired, watch, ...gauge } = body as GaugeFact
    return { id, gauge, ...(retired && { retired }), ...(watch && { watch }) }
  })

/** Adds a machine of the shop. The same entry again is the same machine. */
export async function addMachine(
  store: Store,
  clock: Clock,
  person: Member,
  entry: MachineEntry,
): Promise<Outcome<MachineEntry>> {
  const refusal = notAllowed(person, 'declare')
  if (refusal) return { ok: false, refusal }
  const wrong = checkMachine(entry.machine, 'machine').map(reportProblem)
  if (wrong.length > 0) return refuseInput(wrong)
  const written = await declare(store, clock, person, 'machine', entry.id, entry.machine)
  return kept(written, entry, await machinesOf(store))
}

/**
 * Declares a machine anew. Less may be asked of its set-ups than before (no second look, readings that grow older) by a
 * lead, who says why.
 */
export async function changeMachine(
  store: Store,
  clock: Clock,
  person: Member,
  id: string,
  { machine, reason, retired }: ChangedMachine,
): Promise<Outcome<MachineEntry>> {
  const refusal = notAllowed(person, 'declare')
  if (refusal) return { ok: false, refusal }
  const before = (await machinesOf(store)).find((one) => one.id === id)
  if (before === undefined) return noMachine(id)
  const wrong = checkMachine(machine, 'machine').map(reportProblem)
  if (wrong.length > 0) return refuseInput(wrong)
  if (asksLess(machine.policy, before.machine.policy)) {
    const denied = notAllowed(person, 'lower-policy')
    if (denied) return { ok: false, refusal: denied }
    if (reason === undefined) return reasonNeeded()
  }
  await store.declareAgain('machine', id, {
    id: uuid(),
    kind: 'machine',
    body: { ...machine, ...(reason !== undefined && { reason }), ...(retired && { retired }) },
    via: 'typed',
    personId: person.id,
    recordedAt: clock(),
  })
  if (!isDeepStrictEqual(machine.policy, before.machine.policy))
    await store.overtakeSummaries({ id, name: before.machine.name }, clock().toISOString())
  return accept({ id, machine, ...(retired && { retired }) })
}

/** What a machine is called: set-ups whose sheet does not say which of the shop's they are on are known by it. */
export const machineName = (machines: readonly MachineEntry[], id: string): string =>
  machines.find((one) => one.id === id)?.machine.name ?? ''

/** What the shop asks now of the machine that a sheet is for. */
export const policyOf = (
  machines: readonly MachineEntry[],
  sheet: Pick<SetupSheet, 'machineId' | 'machine'>,
): MachinePolicy | undefined =>
  shopMachineOf(machines, sheet)?.machine.policy as MachinePolicy | undefined

export const policyInForce = async (
  store: Store,
  sheet: Pick<SetupSheet, 'machineId' | 'machine'>,
): Promise<MachinePolicy | undefined> => policyOf(await machinesOf(store), sheet)

export const noMachine = (id: string) =>
  refuse('not-found', {
    message: 'There is no such machine.',
    expected: 'a machine of the shop',
    received: id,
    remedy: 'Load the list again.',
  })

const reasonNeeded = () =>
  refuse('input-wrong', {
    place: 'reason',
    message: 'Less is asked of this machine’s set-ups than before.',
    expected: 'why',
    received: 'nothing',
    remedy: 'Say why: it stays with the change, under your name.',
  })

/** Adds a gauge of the shop; its size must be a length above zero. */
export async function addGauge(
  store: Store,
  clock: Clock,
  person: Member,
  entry: ShopGauge,
): Promise<Outcome<ShopGauge>> {
  const refusal = notAllowed(person, 'declare')
  if (refusal) return { ok: false, refusal }
  const { gauge, watch } = entry
  const wrong = wrongLengths(gauge, watch)
  if (wrong.length > 0) return refuseInput(wrong)
  const body = { ...gauge, ...(watch && { watch }) }
  const written = await declare(store, clock, person, 'gauge', entry.id, body)
  return kept(written, entry, await gaugesOf(store))
}

/**
 * Declares a gauge anew: what it is called, its true size from now on, or that it is out of use. Set-ups keep the size that
 * their sheet was written with until somebody takes the new one over there.
 */
export async function changeGauge(
  store: Store,
  clock: Clock,
  person: Member,
  id: string,
  { gauge, reason, retired, watch }: ChangedGauge,
): Promise<Outcome<ShopGauge>> {
  const refusal = notAllowed(person, 'declare')
  if (refusal) return { ok: false, refusal }
  const wrong = wrongLengths(gauge, watch)
  if (wrong.length > 0) return refuseInput(wrong)
  if (gauge.id !== id) return otherGauge(id, gauge.id)
  const declared = await store.declareAgain('gauge', id, {
    id: uuid(),
    kind: 'gauge',
    body: { ...gauge, reason, ...(retired && { retired }), ...(watch && { watch }) },
    via: 'typed',
    personId: person.id,
    recordedAt: clock(),
  })
  return declared
    ? accept({ id, gauge, ...(retired && { retired }), ...(watch && { watch }) })
    : noGauge(id)
}

/** The size of a gauge and its tolerance are lengths above zero: by another tolerance no check would ever be wrong. */
const wrongLengths = (gauge: ShopGauge['gauge'], watch: ShopGauge['watch']) =>
  [
    readLength(gauge.size, { place: 'gauge.size', sign: 'positive' }),
    ...(watch === undefined
      ? []
      : [readLength(watch.limit, { place: 'watch.limit', sign: 'positive' })]),
  ].flatMap((read) => (read.ok ? [] : [reportProblem(read.problem)]))

export const noGauge = (id: string) =>
  refuse('not-found', {
    message: 'There is no such gauge.',
    expected: 'a gauge of the shop',
    received: id,
    remedy: 'Load the list again.',
  })

const otherGauge = (id: string, received: string) =>
  refuse('input-wrong', {
    place: 'gauge.id',
    message: 'This is another gauge.',
    expected: id,
    received,
    remedy: 'Send the gauge under its own id.',
  })

/** Begins the stream of a machine or a gauge with what it is declared to be. */
const declare = (
  store: Store,
  clock: Clock,
  person: Member,
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
