import type { SetupDocument } from '@pine/core/facts'
import type { QuantityName } from '@pine/core/quantities'
import type { FactDraft } from '@/data/outbox/fact-draft'

/** What may have been moved between two touches, and what is entered then. */
export interface MovedBetween {
  readonly words: string
  readonly draft: FactDraft
}

/** The touches lie apart because what they were made on lies elsewhere now: numbers from before end there, or are re-based. */
export function movedBetween(
  { sheet }: SetupDocument,
  quantity: QuantityName,
): MovedBetween | undefined {
  if (quantity.of === 'nose-on-plane' || quantity.of === 'tip-on-plane')
    return {
      words: `The ${sheet.plane} was moved in between`,
      draft: { kind: 'event', body: { kind: 'plane-moved' } },
    }
  if (!('row' in quantity)) return undefined
  const { row } = quantity
  return {
    words: `The part in ${row} was moved in between`,
    draft: { kind: 'event', body: { kind: 'part-changed', row } },
  }
}
