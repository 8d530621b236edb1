import type { ReactNode } from 'react'
import { Column } from '../surfaces'
import { Words } from '../words'

/** A part of a page under its title. */
export function Section({
  title,
  children,
}: {
  readonly title: string
  readonly children: ReactNode
}) {
  return (
    <Column gap="$2">
      <Words as="title" role="heading" aria-level={2}>
        {title}
      </Words>
      {children}
    </Column>
  )
}
