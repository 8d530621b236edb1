import useSWR from 'swr'
import { keptAnswerSchema } from '@pine/contract'
import { api, ask } from '../server/api'

/**
 * What earlier set-ups tell of the tools of this one; asked when it is wanted. Undefined until it has come, and where nobody answers:
 * then everything is touched, which is always right.
 */
export function useKeptFrom(setupId: string, wanted: boolean) {
  const { data } = useSWR(
    wanted ? ['kept-from', setupId] : null,
    () => ask(api.setups[':id'].kept.$get({ param: { id: setupId } }), keptAnswerSchema),
    { revalidateOnFocus: false },
  )
  return data
}
