import { useMemo } from 'react'
import useSWR from 'swr'
import { z } from 'zod'
import {
  machineSchema,
  shopGaugeSchema,
  shopSchema,
  type MachineEntry,
  type ShopGauge,
  type Watch,
} from '@pine/contract'
import {
  shopMachineOf,
  type Gauge,
  type MachineDeclaration,
  type MachinePolicy,
  type SetupSheet,
} from '@pine/core/sheet'
import type { GaugeFact, MachineFact } from '@pine/core/shop'
import { v7 as uuid } from 'uuid'
import { useOutbox } from '../outbox/outbox-store'
import { api, ask } from '../server/api'
import { useSession } from '../server/session'
import { enterOutside, withWaiting } from './enter-outside'

/** The shop that everything here belongs to. */
export function useShop() {
  const { data } = useSWR('shop', () => ask(api.shop.$get(), shopSchema))
  return { shop: data }
}

/** Why something is declared anew, and whether it goes out of use. */
export interface Change {
  readonly reason?: string | undefined
  readonly retired?: boolean
  /** Of a machine: who tells of it; as before where it is not said, nobody where it is null. */
  readonly agent?: { readonly address: string } | null
}

const inUse = ({ retired }: { readonly retired?: true | undefined }): boolean => retired !== true

/** The machines of the shop. */
export function useMachines() {
  const { person } = useSession()
  const { data, error } = useSWR('machines', () => ask(api.machines.$get(), z.array(machineSchema)))
  const outbox = useOutbox()
  const all = useMemo(() => withWaiting(data, outbox, 'machine', machineEntry), [data, outbox])
  const declare = (
    id: string,
    machine: MachineDeclaration,
    { reason, retired, agent = all?.find((one) => one.id === id)?.agent }: Change = {},
  ) =>
    enterOutside(
      { kind: 'machine', id },
      {
        kind: 'machine',
        body: {
          ...machine,
          ...(reason !== undefined && { reason }),
          ...(retired && { retired: true as const }),
          ...(agent && { agent }),
        },
      },
      person,
    )
  return {
    /** Those that new set-ups are offered. */
    machines: useMemo(() => all?.filter(inUse), [all]),
    /** Those that are out of use as well: set-ups are on them. */
    all,
    error: error as unknown,
    async add(machine: MachineDeclaration): Promise<MachineEntry> {
      const id = uuid()
      await declare(id, machine)
      return { id, machine }
    },
    change: declare,
  }
}

/** What a machine's declaration says, as the list has it. */
const machineEntry = (
  id: string,
  { reason: _why, retired, agent, ...machine }: MachineFact,
): MachineEntry => ({ id, machine, ...(retired && { retired }), ...(agent && { agent }) })

/** What the shop asks now of the machine that a sheet is for. */
export const policyOf = (
  machines: readonly MachineEntry[] = [],
  sheet: Pick<SetupSheet, 'machineId' | 'machine'>,
): MachinePolicy | undefined =>
  shopMachineOf(machines, sheet)?.machine.policy as MachinePolicy | undefined

/** The gauges of the shop, each with its true size. */
export function useGauges() {
  const { person } = useSession()
  const { data, error } = useSWR('gauges', () => ask(api.gauges.$get(), z.array(shopGaugeSchema)))
  const outbox = useOutbox()
  const all = useMemo(() => withWaiting(data, outbox, 'gauge', gaugeEntry), [data, outbox])
  const declare = (
    gauge: Gauge,
    { reason, retired, watch }: Change & { readonly watch?: Watch | undefined } = {},
  ) =>
    enterOutside(
      { kind: 'gauge', id: gauge.id },
      {
        kind: 'gauge',
        body: {
          ...gauge,
          ...(reason !== undefined && { reason }),
          ...(retired && { retired: true as const }),
          ...(watch && { watch }),
        },
      },
      person,
    )
  return {
    /** Those that new set-ups are offered. */
    gauges: useMemo(() => all?.filter(inUse).map(({ gauge }) => gauge), [all]),
    /** Those that are out of use as well. */
    all,
    error: error as unknown,
    change: (
      id: string,
      gauge: Gauge,
      {
        // How it is watched stays as it was, unless that is what is changed.
        watch = all?.find((one) => one.id === id)?.watch,
        ...change
      }: Change & { readonly reason: string; readonly watch?: Watch | undefined },
    ) => declare({ ...gauge, id }, { ...change, watch }),
    async add(gauge: Omit<Gauge, 'id'>): Promise<Gauge> {
      const declared = { ...gauge, id: uuid() }
      await declare(declared)
      return declared
    },
  }
}

/** What a gauge's declaration says, as the list has it. */
const gaugeEntry = (
  id: string,
  { reason: _why, retired, watch, ...gauge }: GaugeFact,
): ShopGauge => ({ id, gauge, ...(retired && { retired }), ...(watch && { watch }) })
