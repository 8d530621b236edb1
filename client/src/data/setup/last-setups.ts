import useSWR from 'swr'
import { setupAnswerSchema, setupPageSchema } from '@pine/contract'
import { foldSetup, type SetupDocument } from '@pine/core/facts'
import { api, ask } from '../server/api'

/** The last set-up on each machine, by the machine's id; none of those that have none, or without the server. */
export function useLastSetups(
  machines: readonly { readonly id: string }[] | undefined,
): Readonly<Record<string, SetupDocument>> {
  const ids = (machines ?? []).map(({ id }) => id)
  const { data } = useSWR(ids.length === 0 ? undefined : ['last-setups', ids], () =>
    Promise.all(ids.map(async (machine) => [machine, await lastOn(machine)] as const)),
  )
  return Object.fromEntries(
    (data ?? []).flatMap(([machine, last]) => (last === undefined ? [] : [[machine, last]])),
  )
}

/** The last set-up on a machine; undefined where there is none, or no server to ask. */
export const lastSetupOn = (machine: string): Promise<SetupDocument | undefined> =>
  lastOn(machine).catch(() => undefined)

async function lastOn(machine: string): Promise<SetupDocument | undefined> {
  const page = await ask(api.setups.$get({ query: { machine, most: '1' } }), setupPageSchema)
  const [last] = page.setups
  if (last === undefined) return undefined
  const answer = api.setups[':id'].$get({ param: { id: last.id } })
  return foldSetup((await ask(answer, setupAnswerSchema)).file)
}
