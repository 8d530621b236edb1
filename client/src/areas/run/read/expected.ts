import {
  expectReading,
  isCircleTouch,
  surpriseAround,
  surpriseOf,
  type Belief,
  type Surprise,
} from '@pine/core/expect'
import type { SetupDocument } from '@pine/core/facts'
import type { WrittenLength } from '@pine/core/length'
import { asksForSpindle, captureAt, type Capture } from '@pine/core/plan'
import { readingFields, type DisplayedPosition, type QuantityName } from '@pine/core/quantities'
import { withPreview } from '@/data/setup/preview'
import { bodyOf, type NewReading, type ReadingDraft } from './reading-draft'

const ZERO = { text: '0', unit: 'mm' } as const

/** What should be read of one number, by how it is to be read and all that was known before; undefined where nothing tells it. */
export function beliefOf(
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
  position?: DisplayedPosition,
): Belief | undefined {
  if (readingFields(quantity).length > 1) return undefined
  // How it is made decides what it reads; which tool stands in the spindle does not.
  const touch = bodyOf(draft, quantity, () => ZERO, undefined, false, position)
  return touch && expectReading(document, touch)
}

/** Whether what was typed is a surprise: the reading itself, or the row that tells it. */
export const surpriseAtKey = (
  document: SetupDocument,
  belief: Belief | undefined,
  body: NewReading | undefined,
  typed: WrittenLength | undefined = body?.read,
): Surprise | undefined =>
  body && isCircleTouch(body)
    ? surpriseAround(document, body)
    : belief && body && typed && surpriseOf(document, body, belief, typed)

/** What the row should show that a touch is captured by, at this touch as it is to be made; undefined where it is none. */
export function captureOf(
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
  standingId: string | undefined,
  position?: DisplayedPosition,
): Capture | undefined {
  if (readingFields(quantity).length > 1) return undefined
  const touch = bodyOf(
    draft,
    quantity,
    () => ZERO,
    standingId,
    asksForSpindle(document, quantity),
    position,
  )
  return touch && captureAt(document, touch)
}

/** The set-up as it would stand were it read just as expected: what the drawing shows faintly until something is typed. */
export function asExpected(
  document: SetupDocument,
  belief: Belief,
  draft: ReadingDraft,
  quantity: QuantityName,
  position?: DisplayedPosition,
): SetupDocument {
  const read = { text: (belief.mm satisfies number).toFixed(3), unit: 'mm' } as const
  const body = bodyOf(draft, quantity, () => read, undefined, false, position)
  return body === undefined ? document : withPreview(document, { kind: 'reading', body })
}
