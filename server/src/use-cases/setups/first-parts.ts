import type { FirstParts } from '@pine/contract'
import type { Store } from '../../store/store'
import type { LoadedSetup } from '../facts/set-up-streams'

/** What was measured of the parts of a job, in this set-up and in others of the same name on the same machine, the oldest first. */
export async function firstPartsOf(store: Store, setup: LoadedSetup): Promise<FirstParts> {
  const { name, machineId, machine } = setup.document.sheet
  const rows = await store.partsMeasured(
    // A sheet that names none of the shop's machines is known by its name alone: no machine has the id of a set-up.
    { id: machineId ?? setup.id, name: machine.name },
    name,
  )
  return rows.flatMap(({ setup: of, at, by, body }) => {
    const { measured, because, also = [] } = body
    const all = measured ?? (because === undefined ? [] : [because, ...also])
    if (all.length === 0) return []
    return [{ setup: of, at: at.toISOString(), by, measured: structuredClone([...all]) }]
  }) as FirstParts
}
