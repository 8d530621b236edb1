import type { ReactNode } from 'react'
import { Page } from './page'
import { Words } from '../words'

export interface WaitingPageProps {
  readonly title: string
  /** What is said while it is on its way. */
  readonly waits: string
  /** Why it does not come; undefined while it may. */
  readonly failure: string | undefined
  readonly foot: ReactNode
}

/** A page of which nothing has come yet: that it is on its way, or why it is not. */
export function WaitingPage({ title, waits, failure, foot }: WaitingPageProps) {
  return (
    <Page title={title} foot={foot}>
      <Words
        role={failure === undefined ? 'status' : 'alert'}
        tone={failure === undefined ? 'soft' : 'wrong'}
      >
        {failure ?? waits}
      </Words>
    </Page>
  )
}
