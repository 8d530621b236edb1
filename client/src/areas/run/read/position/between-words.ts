import type { SetupDocument } from '@pine/core/facts'
import { axisOfQuantity, type QuantityName } from '@pine/core/quantities'
import { gaugeNames } from '@pine/core/words'
import { gaugesServing, waysOfReading } from '../circumstances/circumstances-view'
import type { ReadingDraft } from '../reading-draft'

/** Whether there is anything to say of how a reading is made: a gauge that serves it, or a screw whose side matters. */
const hasCircumstances = (
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
): boolean =>
  (quantity.of !== 'sweep' && quantity.of !== 'tool-diameter') ||
  gaugesServing(document, quantity).length > 0 ||
  waysOfReading(document, draft, quantity).length > 0

/** What the touch is made with and how it was met, in a few words; empty where there is nothing to say of it. */
export function betweenWords(
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
): string {
  const using = gaugeNames(document, draft.with)
  const came = draft.ways?.own === '+' ? ', rising' : draft.ways?.own === '-' ? ', lowering' : ''
  if (!hasCircumstances(document, draft, quantity)) return ''
  if (quantity.of === 'sweep') return using === '' ? 'which dial, from where' : using
  if (quantity.of === 'tool-diameter') return using === '' ? 'measured with …' : using
  if (axisOfQuantity(quantity) !== 'Z')
    return using === ''
      ? 'name the finder'
      : `${using}${draft.movedOver === true ? ', over the face' : ''}`
  const there = gaugeNames(
    document,
    quantity.of === 'carried-difference' ? draft.withOnPlane : (draft.withOnFrom ?? []),
  )
  // Both ends fill the line; how they were met is a tap away.
  if (there !== '') return `${there} / ${using === '' ? 'nothing' : using}`
  return `${using === '' ? 'nothing between' : using}${came}`
}
