import { useEffect, useState } from 'react'
import useSWR from 'swr'
import { foundSchema } from '@pine/contract'
import { api, ask } from '../server/api'

/** Whoever types goes on typing for so long: each letter is not a question. */
const PAUSE_MS = 250

/** What the shop keeps under some words, once they are typed; undefined before, and while nobody answers. */
export function useSearch(words: string) {
  const [find, setFind] = useState('')
  useEffect(() => {
    const timer = setTimeout(() => setFind(words.trim()), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [words])
  const { data } = useSWR(find === '' || words.trim() === '' ? null : ['search', find], () =>
    ask(api.search.$get({ query: { find } }), foundSchema),
  )
  return data
}
