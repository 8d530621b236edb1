import type { ReactNode } from 'react'
import type { Action } from '@pine/contract'
import { useMay } from '@/data/server/session'
import { Words } from '@/kit/words'

/** What only some may do; the others are told who does it. */
export function Allowed({
  to,
  otherwise,
  children,
}: {
  readonly to: Action
  readonly otherwise?: string
  readonly children?: ReactNode
}) {
  const allowed = useMay(to)
  if (allowed) return children
  return otherwise === undefined ? null : <Words as="note">{otherwise}</Words>
}
