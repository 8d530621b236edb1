import useSWR, { mutate } from 'swr'
import { machineHistorySchema } from '@pine/contract'
import type { ReversalTest } from '@pine/core/shop'
import { api, ask } from '../server/api'
import { useSession } from '../server/session'
import { enterOutside } from './enter-outside'

/** A machine over time. */
export function useMachineHistory(id: string) {
  const { person } = useSession()
  const key = ['machine-history', id]
  const { data, error } = useSWR(key, () =>
    ask(api.machines[':id'].history.$get({ param: { id } }), machineHistorySchema),
  )
  return {
    history: data,
    error: error as unknown,
    again: () => mutate(key),
    addReversal: (test: ReversalTest): Promise<unknown> =>
      enterOutside({ kind: 'machine', id }, { kind: 'reversal-test', body: test }, person),
  }
}
