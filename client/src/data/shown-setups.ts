import { mutate } from 'swr'
import type { FactsAnswer, SetupAnswer } from '@pine/contract'

/** Where a set-up lies that was fetched. */
export const setupKey = (id: string) => ['setup', id] as const

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
      const grown = shown && withFacts(shown, answer)
      isWhole = grown !== undefined
      return grown ?? shown
    },
    { revalidate: false },
  )
  if (!isWhole) await mutate(setupKey(id))
}
