import type { Pockets } from '@pine/contract'
import { carriedLength, lastLengthOf, noseDifferences, type MeasuredTool } from '@pine/core/shop'
import { validate as isUuid } from 'uuid'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import { machinesOf } from '../shop'
import { eventsOf, LATEST_USES } from '../tools'

/** The tools in the pockets of a machine, each with what its length was when it was measured last, here or elsewhere. */
export async function pocketsOf(store: Store, clock: Clock, machine: string): Promise<Pockets> {
  if (!isUuid(machine)) return []
  const rows = await store.inPockets(machine)
  const ids = rows.map(({ id }) => id)
  const [uses, events, machines] = await Promise.all([
    store.toolUses(ids, LATEST_USES),
    store.toolEvents(ids),
    machinesOf(store),
  ])
  const measured = rows.map(({ id, tool }): MeasuredTool => ({
    uses: uses.get(id) ?? [],
    events: eventsOf(events, id),
    seat: tool.holder?.seat,
  }))
  const noses = noseDifferences(machine, measured)
  const maxAgeDays = machines.find(({ id }) => id === machine)?.machine.policy?.maxAgeDays
  const now = clock().toISOString()
  return rows.flatMap(({ id, tool }, index) => {
    const known = measured[index]
    if (tool.place === undefined || known === undefined) return []
    const lastLength = lastLengthOf(known.uses, known.events)
    const carried = carriedLength(known, machine, noses, { maxAgeDays, now })
    return [
      {
        ...{ id, pocket: tool.place.pocket, tool },
        ...(lastLength && { lastLength: { ...lastLength } }),
        ...(carried && {
          carried: {
            ...carried,
            ...{ length: { ...carried.length }, uncertainty: { ...carried.uncertainty } },
            machineName: machines.find((one) => one.id === carried.machine)?.machine.name ?? '',
          },
        }),
      },
    ]
  })
}
