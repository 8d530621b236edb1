import { useEffect } from 'react'
import { mutate, SWRConfig, unstable_serialize } from 'swr'
import type { FactsAnswer, SetupAnswer } from '@pine/contract'

/** Where a set-up lies that was fetched. */
export const setupKey = (id: string) => ['setup', id] as const

/** Set-ups that a screen of this page shows now, each as often as it is shown. */
const shown: string[] = []

/** Notes that a screen shows a set-up, for as long as it does: it is told what is entered elsewhere. */
export function useShown(id: string): void {
  useEffect(() => noteShown(id), [id])
}

/** From one page of a set-up to another: what is entered elsewhere in between is told to neither, and SWR asks no more so soon. */
const LINGERS_MS = 5_000

/** @returns ends it, a moment after the screen is gone. */
export function noteShown(id: string): () => void {
  shown.push(id)
  return () => void setTimeout(() => shown.splice(shown.indexOf(id), 1), LINGERS_MS)
}

/** Ids of the set-ups that are shown, with how many of their facts this page has; those that are still on their way are not among them. */
export const shownSetups = (): ReadonlyMap<string, number> =>
  new Map(
    [...new Set(shown)].flatMap((id) => {
      const key = unstable_serialize(setupKey(id))
      const answer = SWRConfig.defaultValue.cache.get(key)?.data as SetupAnswer | undefined
      return answer === undefined ? [] : [[id, answer.file.facts.length] as const]
    }),
  )

/**
 * A set-up with facts that the server told since; undefined where some in between are not known here: then it is to
 * be fetched anew.
 */
export function withFacts(
  shown: SetupAnswer,
  { from, facts }: FactsAnswer,
): SetupAnswer | undefined {
  const { file } = shown
  if (file.facts.length < from) return undefined
  // Another answer may have told the same and more.
  if (file.facts.length >= from + facts.length) return shown
  return { ...shown, file: { ...file, facts: [...file.facts.slice(0, from), ...facts] } }
}

/** Shows what a fact was answered with. */
export async function showFacts(id: string, answer: FactsAnswer): Promise<void> {
  let isWhole = true
  await mutate<SetupAnswer>(
    setupKey(id),
    (shown) => {
      const grown = shown === undefined ? begunBy(id, answer) : withFacts(shown, answer)
      isWhole = grown !== undefined
      return grown ?? shown
    },
    { revalidate: false },
  )
  if (!isWhole) await mutate(setupKey(id))
  // It was begun here: the list tells of it from now on.
  if (answer.from === 0) await showLists()
}

/** A set-up that was begun here, as the answer to its first fact tells it; undefined where that is not the whole of it. */
function begunBy(id: string, { from, facts }: FactsAnswer): SetupAnswer | undefined {
  const [first] = facts
  if (from !== 0 || first === undefined) return undefined
  const file = { format: 'pine-compass/setup', version: 2, id, facts } as const
  return { file, createdBy: first.by.name, createdAt: first.at }
}

/** Asks anew for every list of set-ups that is shown. */
export async function showLists(): Promise<void> {
  await mutate((key) => Array.isArray(key) && key[0] === 'setups')
}
