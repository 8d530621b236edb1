import type { OutboxEntry } from './outbox-entry'

/** As versions before this one kept what waits: a fact of a set-up, or a check of a gauge. */
type EarlierEntry = Omit<OutboxEntry, 'stream'> &
  ({ readonly setupId: string } | { readonly gaugeId: string })

/** What waits on this device, whichever version kept it. */
export function asEntry(kept: OutboxEntry | EarlierEntry): OutboxEntry {
  if ('stream' in kept) return kept
  const stream =
    'setupId' in kept ? { kind: 'setup', id: kept.setupId } : { kind: 'gauge', id: kept.gaugeId }
  return { ...kept, stream } as OutboxEntry
}
