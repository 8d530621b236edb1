import type { FactDraft } from '@/data/outbox/fact-draft'
import { type AnotherPart } from '@pine/core/plan'

export interface Option<Value> {
  readonly value: Value
  readonly label: string
}

type EventBody = Extract<FactDraft, { kind: 'event' }>['body']

export type GaugeSince = Extract<EventBody, { kind: 'gauge-measured' }>['since']

/** Since when a gauge has been as it was measured. */
export const SINCE: readonly Option<GaugeSince>[] = [
  { value: 'last-good', label: 'all this while: correct what was read' },
  { value: 'now', label: 'from now on' },
]

/** How another part may have come in. */
export const PARTS: readonly Option<AnotherPart>[] = [
  { value: 'anew', label: 'turned over, or in another vise' },
  { value: 'stop', label: 'against the same stop; another height' },
  { value: 'stop-and-height', label: 'against the same stop, of the same height' },
]
