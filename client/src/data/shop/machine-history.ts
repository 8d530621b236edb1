import useSWR, { mutate } from 'swr'
import { v7 as uuid } from 'uuid'
import { machineHistorySchema, type NewReversalTest } from '@pine/contract'
import { api, ask, sendable } from '../server/api'

/** A machine over time. */
export function useMachineHistory(id: string) {
  const key = ['machine-history', id]
  const { data, error } = useSWR(key, () =>
    ask(api.machines[':id'].history.$get({ param: { id } }), machineHistorySchema),
  )
  return {
    history: data,
    error: error as unknown,
    again: () => mutate(key),
    async addReversal(test: Omit<NewReversalTest, 'id'>) {
      const json = sendable({ id: uuid(), ...test })
      const after = await ask(
        api.machines[':id']['reversal-tests'].$post({ param: { id }, json }),
        machineHistorySchema,
      )
      await mutate(key, after, { revalidate: false })
    },
  }
}
