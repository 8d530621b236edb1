import { useState } from 'react'
import { failureWords } from '@/data/server/api'

/**
 * A press whose work takes a moment: pressed again meanwhile it does nothing more, and what fails is told and not lost.
 *
 * @param work what it does, with what was typed by then.
 */
export function usePress(work: () => Promise<void>) {
  const [isBusy, setBusy] = useState(false)
  const [failure, setFailure] = useState<string>()
  const press = (): void => {
    if (isBusy) return
    setBusy(true)
    setFailure(undefined)
    work()
      .catch((cause: unknown) => setFailure(failureWords(cause)))
      .finally(() => setBusy(false))
  }
  return { press, isBusy, failure }
}
