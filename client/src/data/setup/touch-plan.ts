import useSWR from 'swr'
import { touchPlanSchema } from '@pine/contract'
import { api, ask } from '../server/api'

/** What is left to touch of a set-up, planned by the server, which knows the shop's log; undefined until it has come. */
export function useTouchPlan(setupId: string) {
  const { data, error } = useSWR(
    ['touch-plan', setupId],
    () => ask(api.setups[':id']['touch-plan'].$get({ param: { id: setupId } }), touchPlanSchema),
    { revalidateOnFocus: false },
  )
  return { plan: data, error: error as unknown }
}
