import type { ReactNode } from 'react'
import { failureWords } from '@/data/server/api'
import { useSetup } from '@/data/setup/one-setup'
import type { LoadedSetup } from '@/data/setup/standing'
import { Message } from '@/kit/message'

/** A set-up once it is there; before that, that it is being opened, or why it cannot be. */
export function OpenedSetup({
  id,
  children,
}: {
  readonly id: string
  readonly children: (setup: LoadedSetup) => ReactNode
}) {
  const { setup, error } = useSetup(id)
  if (setup !== undefined) return children(setup)
  return error === undefined ? (
    <Message text="Opening the set-up …" tone="soft" />
  ) : (
    <Message text={failureWords(error)} tone="wrong" />
  )
}
