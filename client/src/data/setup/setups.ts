import useSWR from 'swr'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { factsAnswerSchema, setupSummarySchema, type NewFact } from '@pine/contract'
import { api, ask } from '../server/api'
import { showLists } from './shown-setups'

/** The set-ups that are worked on, or those that were put away. */
export function useSetups({ away } = { away: false }) {
  const { data, error } = useSWR(away ? 'setups-away' : 'setups', () =>
    ask(api.setups.$get({ query: { away: away ? '1' : '0' } }), z.array(setupSummarySchema)),
  )
  return { setups: data, error: error as unknown }
}

/** Puts a set-up out of the list, or back into it. It is there for all at once, or not at all: it needs the server. */
export async function putAwayOrBack(id: string, moves: 'away' | 'back'): Promise<void> {
  const fact: NewFact = { id: uuid(), kind: 'put-away', body: { moves } }
  await ask(
    api.setups[':id'].facts.$post({ param: { id }, query: {}, json: fact }),
    factsAnswerSchema,
  )
  await showLists()
}
