import { useState } from 'react'
import useSWR from 'swr'
import { v7 as uuid } from 'uuid'
import {
  factsAnswerSchema,
  SETUPS_A_PAGE,
  setupPageSchema,
  type NewFact,
  type SetupQuery,
} from '@pine/contract'
import { api, ask } from '../server/api'
import { showLists } from './shown-setups'

/** The youngest set-ups of those that are asked for; more of them on demand. */
export function useSetups({ find = '', ...query }: Omit<SetupQuery, 'most'> = {}) {
  const [pages, setPages] = useState(1)
  const most = pages * SETUPS_A_PAGE
  // What is looked for comes first: answers to that are not kept for a day without a network.
  const { data, error, isLoading } = useSWR(
    ['setups', find.trim(), query.away, query.standing, query.machine, most],
    () =>
      ask(
        api.setups.$get({ query: { ...query, find: find.trim(), most: String(most) } }),
        setupPageSchema,
      ),
    // What is there stays while the next page, or the next word, is asked for.
    { keepPreviousData: true },
  )
  const { setups, total = 0 } = data ?? {}
  return {
    setups,
    /** How many there are of all that were asked for. */
    total,
    error: error as unknown,
    /** What is shown is what was asked before: the answer is on its way. */
    isAsking: isLoading,
    /** Asks for the next page; undefined where all are there. */
    more: setups !== undefined && setups.length < total ? () => setPages(pages + 1) : undefined,
  }
}

/** Puts a set-up out of the list, or back into it. It is there for all at once, or not at all: it needs the server. */
export async function putAwayOrBack(id: string, moves: 'away' | 'back'): Promise<void> {
  const fact: NewFact = { id: uuid(), kind: 'put-away', body: { moves } }
  await ask(
    api.streams.setup[':id'].facts.$post({ param: { id }, query: {}, json: fact }),
    factsAnswerSchema,
  )
  await showLists()
}
