import useSWRInfinite from 'swr/infinite'
import { logPageSchema, type LogPage, type LogQuery } from '@pine/contract'
import { api, ask } from '../server/api'

/** What was entered in the shop, page after page, the youngest first. */
export function useLog(asked: Omit<LogQuery, 'before'>) {
  const { data, error, size, setSize, isLoading } = useSWRInfinite(
    (page: number, before: LogPage | null) => {
      if (page > 0 && before?.next == null) return null
      return ['log', JSON.stringify(asked), before?.next ?? ''] as const
    },
    ([, , before]) =>
      ask(api.log.$get({ query: { ...asked, ...(before !== '' && { before }) } }), logPageSchema),
    { revalidateOnMount: true },
  )
  const last = data?.at(-1)
  return {
    lines: data?.flatMap((page) => page.lines),
    error: error as unknown,
    isAsking: isLoading,
    /** Asks for the next page; undefined where all are there. */
    more: last?.next == null ? undefined : () => void setSize(size + 1),
  }
}
