import useSWR from 'swr'
import { setupAnswerSchema, setupPageSchema, type SetupSummary } from '@pine/contract'
import type { SetupFile } from '@pine/core/facts'
import { api, ask } from '../server/api'
import { setupKey } from './shown-setups'

/** The file of a set-up that is only looked at; undefined until it is there, or where none is asked for. */
export function useOtherSetup(id: string | undefined) {
  const { data, error } = useSWR(id === undefined ? null : setupKey(id), () =>
    ask(api.setups[':id'].$get({ param: { id: id ?? '' } }), setupAnswerSchema),
  )
  return { file: data?.file as SetupFile | undefined, error: error as unknown }
}

/** Set-ups whose name has the words of a job's name, put away or not; none until they are known. */
export function useSetupsOfJob(name: string): readonly SetupSummary[] {
  const { data } = useSWR(['setups-of-job', name], async () => {
    const page = (away: '0' | '1') =>
      ask(api.setups.$get({ query: { find: name, away, most: '50' } }), setupPageSchema)
    const [open, away] = await Promise.all([page('0'), page('1')])
    return [...open.setups, ...away.setups]
  })
  return data ?? []
}
