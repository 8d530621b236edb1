import type { WrittenLength } from '@pine/core/length'
import type { FieldKey, QuantityName } from '@pine/core/quantities'
import { solve } from '@pine/core/solve'
import { withPreview } from '@/data/setup/preview'
import type { LoadedSetup } from '@/data/setup/standing'
import { beliefOf, surpriseAtKey } from '@/areas/run/read/expected'
import { bodyOf, type ReadingDraft } from '@/areas/run/read/reading-draft'
import { readingView, type ReadingView } from '@/areas/run/read/reading-view'

export interface Typed {
  /** What is typed, in millimetres where it is a text alone; nothing yet where it is absent. */
  readonly text?: string
  /** Of a place: what its second number is. */
  readonly textY?: string
  readonly draft?: Partial<ReadingDraft>
  readonly again?: boolean
}

/** What a step shows while a number is typed, as the hook puts it together: a machine position, not captured. */
export function viewAsTyped(
  setup: LoadedSetup,
  quantity: QuantityName,
  { text, textY, draft = {}, again = false }: Typed = {},
): ReadingView {
  const hand: ReadingDraft = { with: ['setter'], withOnPlane: [], ...draft }
  const written = (field: FieldKey): WrittenLength => ({
    text: (field === 'readY' ? textY : text) ?? '',
    unit: 'mm',
  })
  const body = text === undefined ? undefined : bodyOf(hand, quantity, written, undefined, false)
  const preview =
    body === undefined ? setup.document : withPreview(setup.document, { kind: 'reading', body })
  const belief = beliefOf(setup.document, hand, quantity)
  return readingView(setup, quantity, {
    draft: hand,
    complete: text !== undefined,
    started: text !== undefined,
    again,
    preview,
    solution: preview === setup.document ? setup.solution : solve(preview),
    belief,
    surprise: surpriseAtKey(setup.document, belief, body),
    capture: undefined,
    row: undefined,
    reads: { reads: 'machine' },
  })
}
