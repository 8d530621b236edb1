import { noStream } from './facts/stream-refusals'
import { type MachineEntry, type ShopGauge } from '@pine/contract'
import type { GaugeFact, MachineFact } from '@pine/core/shop'
import { shopMachineOf, type MachinePolicy, type SetupSheet } from '@pine/core/sheet'

import type { DeclaredRow, Store } from '../store/store'

export async function machinesOf(store: Store): Promise<readonly MachineEntry[]> {
  const rows = await store.declared('machine')
  const known = parsed.get(rows) ?? rows.map(machineEntry)
  parsed.set(rows, known)
  return known
}

/** The same rows are read once: every new fact asks what the machines ask. */
const parsed = new WeakMap<readonly DeclaredRow[], readonly MachineEntry[]>()

function machineEntry({ id, body }: DeclaredRow): MachineEntry {
  const { reason: _why, retired, agent, ...machine } = body as MachineFact
  return { id, machine, ...(retired && { retired }), ...(agent && { agent }) }
}

export const gaugesOf = async (store: Store): Promise<readonly ShopGauge[]> =>
  (await store.declared('gauge')).map(({ id, body }) => {
    const { reason: _why, imported: _from, retired, watch, ...gauge } = body as GaugeFact
    return { id, gauge, ...(retired && { retired }), ...(watch && { watch }) }
  })

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

export const noMachine = (id: string) => noStream('machine', id)
export const noGauge = (id: string) => noStream('gauge', id)
