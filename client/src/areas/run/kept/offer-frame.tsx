import type { ReactNode } from 'react'
import type { Enter, FactDraft } from '@/data/outbox/fact-draft'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { CheckFrame } from '../frame/entry/check-frame'

/** What an offer is given that spares touches. */
export interface OfferProps<View> {
  readonly view: View
  readonly enter: Enter
  readonly onDone: () => void
  /** Somebody rather touches all. */
  readonly onDecline: () => void
}

interface Offer {
  readonly sentence: string
  readonly caution: string
  readonly text: string
  readonly facts: readonly FactDraft[]
}

/** Something that spares touches: what it would do, and in the same place the other way, which is always right. */
export function OfferFrame({
  title,
  testID,
  view: { sentence, caution, text, facts },
  enter,
  onDone,
  onDecline,
  children,
}: OfferProps<Offer> & {
  readonly title: string
  readonly testID: string
  readonly children: ReactNode
}) {
  const take = () => {
    for (const draft of facts) void enter(draft)
    onDone()
  }
  return (
    <CheckFrame
      words={{ title, sentence, points: [], caution, done: text }}
      foot={
        <Row>
          <Button onPress={onDecline} testID="touch-all">
            Touch all
          </Button>
          <Button kind="act" grow focused onPress={take} testID={testID}>
            {text}
          </Button>
        </Row>
      }
    >
      {children}
    </CheckFrame>
  )
}
