import type { ReactNode } from 'react'
import type { Enter } from '@/data/outbox/fact-draft'
import { askedFailureWords } from '@/data/server/api'
import { useSetup } from '@/data/setup/one-setup'
import type { LoadedSetup } from '@/data/setup/standing'
import { Message } from '@/kit/message'

/** A set-up once it is there; before that, that it is being opened, or why it cannot be. */
export function OpenedSetup({
  id,
  children,
}: {
  readonly id: string
  readonly children: (setup: LoadedSetup, enter: Enter) => ReactNode
}) {
  const { setup, error, enter } = useSetup(id)
  if (setup !== undefined) return children(setup, enter)
  return error === undefined ? (
    <Message text="Opening the set-up …" tone="soft" />
  ) : (
    <Message text={askedFailureWords(error)} tone="wrong" />
  )
}
