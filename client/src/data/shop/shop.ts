import { useMemo } from 'react'
import useSWR from 'swr'
import { z } from 'zod'
import {
  machineSchema,
  shopGaugeSchema,
  shopSchema,
  type MachineEntry,
  type Watch,
} from '@pine/contract'
import {
  shopMachineOf,
  type Gauge,
  type MachineDeclaration,
  type MachinePolicy,
  type SetupSheet,
} from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import { api, ask, sendable } from '../server/api'

/** The shop that everything here belongs to. */
export function useShop() {
  const { data } = useSWR('shop', () => ask(api.shop.$get(), shopSchema))
  return { shop: data }
}

/** Why something is declared anew, and whether it goes out of use. */
export interface Change {
  readonly reason?: string | undefined
  readonly retired?: boolean
}

const inUse = ({ retired }: { readonly retired?: true | undefined }): boolean => retired !== true

/** The machines of the shop. */
export function useMachines() {
  const { data, error, mutate } = useSWR('machines', () =>
    ask(api.machines.$get(), z.array(machineSchema)),
  )
  return {
    /** Those that new set-ups are offered. */
    machines: useMemo(() => data?.filter(inUse), [data]),
    /** Those that are out of use as well: set-ups are on them. */
    all: data,
    error: error as unknown,
    async add(machine: MachineDeclaration) {
      const entry = await ask(api.machines.$post({ json: { id: uuid(), machine } }), machineSchema)
      await mutate()
      return entry
    },
    async change(id: string, machine: MachineDeclaration, { reason, retired }: Change) {
      const json = {
        machine,
        ...(reason !== undefined && { reason }),
        ...(retired && { retired: true as const }),
      }
      await ask(api.machines[':id'].$put({ param: { id }, json: sendable(json) }), machineSchema)
      await mutate()
    },
  }
}

/** What the shop asks now of the machine that a sheet is for. */
export const policyOf = (
  machines: readonly MachineEntry[] = [],
  sheet: Pick<SetupSheet, 'machineId' | 'machine'>,
): MachinePolicy | undefined =>
  shopMachineOf(machines, sheet)?.machine.policy as MachinePolicy | undefined

/** The gauges of the shop, each with its true size. */
export function useGauges() {
  const { data, error, mutate } = useSWR('gauges', () =>
    ask(api.gauges.$get(), z.array(shopGaugeSchema)),
  )
  return {
    /** Those that new set-ups are offered. */
    gauges: useMemo(() => data?.filter(inUse).map(({ gauge }) => gauge), [data]),
    /** Those that are out of use as well. */
    all: data,
    error: error as unknown,
    async change(
      id: string,
      gauge: Gauge,
      {
        reason,
        retired,
        // How it is watched stays as it was, unless that is what is changed.
        watch = data?.find((one) => one.id === id)?.watch,
      }: Change & { readonly reason: string; readonly watch?: Watch | undefined },
    ) {
      const json = {
        gauge,
        reason,
        ...(retired && { retired: true as const }),
        ...(watch && { watch }),
      }
      await ask(api.gauges[':id'].$put({ param: { id }, json: sendable(json) }), shopGaugeSchema)
      await mutate()
    },
    async add(gauge: Omit<Gauge, 'id'>) {
      const id = uuid()
      const entry = await ask(
        api.gauges.$post({ json: sendable({ id, gauge: { ...gauge, id } }) }),
        shopGaugeSchema,
      )
      await mutate()
      return entry.gauge
    },
  }
}
