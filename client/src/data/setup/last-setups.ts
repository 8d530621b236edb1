import useSWR from 'swr'
import { setupAnswerSchema } from '@pine/contract'
import { foldSetup, type SetupDocument } from '@pine/core/facts'
import { api, ask } from '../server/api'
import { useSetups } from './setups'

/** The last set-up on each machine, by the machine's id; none of those that have none, or without the server. */
export function useLastSetups(
  machines:
    readonly { readonly id: string; readonly machine: { readonly name: string } }[] | undefined,
): Readonly<Record<string, SetupDocument>> {
  const { setups = [] } = useSetups()
  const newest = setups.toSorted((one, other) => other.createdAt.localeCompare(one.createdAt))
  const wanted = (machines ?? []).flatMap(({ id, machine }) => {
    const last = newest.find((one) => one.machineId === id || one.machine === machine.name)
    return last === undefined ? [] : [[id, last.id] as const]
  })
  const { data } = useSWR(wanted.length === 0 ? undefined : ['last-setups', wanted], () =>
    Promise.all(
      wanted.map(async ([machine, setup]) => {
        const { file } = await ask(
          api.setups[':id'].$get({ param: { id: setup } }),
          setupAnswerSchema,
        )
        return [machine, foldSetup(file)] as const
      }),
    ),
  )
  return Object.fromEntries(data ?? [])
}
