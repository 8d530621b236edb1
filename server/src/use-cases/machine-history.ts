import { type MachineHistory } from '@pine/contract'
import type { MachineFact, ReversalTest } from '@pine/core/shop'
import type { Address } from '@pine/core/address'
import { validate as isUuid } from 'uuid'
import { accept, type Outcome } from '../refusal'
import type { FactRow } from '../store/rows/fact-row'
import type { Store } from '../store/store'
import { machinesOf, noMachine } from './shop'

/** A machine over time: what its control holds and who keyed it, what it was declared to be, its screws, what happened to it. */
export async function machineHistory(store: Store, id: string): Promise<Outcome<MachineHistory>> {
  const machine = isUuid(id) ? (await machinesOf(store)).find((one) => one.id === id) : undefined
  if (machine === undefined) return noMachine(id)
  const facts = await store.machineFacts(id)
  const declared = facts.filter(({ kind }) => kind === 'machine')
  const offsets = await store.offsetsOf({ id, name: machine.machine.name })
  const happened = await store.happenedTo(
    [{ id, name: machine.machine.name }],
    declared.at(-1)?.recordedAt ?? new Date(0),
  )
  const stamp = ({ by, recordedAt }: FactRow) => ({ by: by.name, at: recordedAt.toISOString() })
  return accept({
    ...machine,
    offsets: offsets.map(({ at, seen, shown, address, ...offset }) => ({
      ...offset,
      address: address as Address,
      ...(shown !== null && { shown }),
      at: at.toISOString(),
      isSeen: seen,
    })),
    declared: declared.map((fact) => {
      const { reason } = fact.body as MachineFact
      return { ...stamp(fact), ...(reason !== undefined && { reason }) }
    }),
    reversals: facts
      .filter(({ kind }) => kind === 'reversal-test')
      .map((fact) => ({ ...stamp(fact), ...(fact.body as ReversalTest) })),
    happened: happened.flatMap(({ machine: _its, what, ...event }) =>
      what === 'tool-changed' ? [] : [{ what, ...event }],
    ),
  })
}
