import useSWR from 'swr'
import { firstPartsSchema } from '@pine/contract'
import { api, ask } from '../server/api'

/** What was measured of the parts of a set-up's job, the oldest first; undefined until it is known. */
export function useFirstParts(id: string) {
  const { data, error } = useSWR(
    ['first-parts', id],
    () => ask(api.setups[':id']['first-parts'].$get({ param: { id } }), firstPartsSchema),
    // It is looked at now and then, after something was measured.
    { revalidateOnMount: true },
  )
  return { parts: data, error: error as unknown }
}
