import { type Author } from '@pine/core/journal'
import { type SetupSheet } from '@pine/core/sheet'
import { post } from '../outbox/outbox'
import { isOfStream, type SetupEntry } from '../outbox/outbox-entry'
import { useOutbox } from '../outbox/outbox-store'

/** Begins a set-up: it is there at once, and on its way to the server. The sheet is sound. */
export function beginSetup(
  { id, sheetFactId, sheet }: { id: string; sheetFactId: string; sheet: SetupSheet },
  by: Author,
): Promise<void> {
  return post({
    stream: { kind: 'setup', id },
    begins: true,
    fact: { id: sheetFactId, kind: 'sheet', body: structuredClone(sheet) } as SetupEntry['fact'],
    by,
    at: new Date().toISOString(),
  })
}

/** Set-ups that were begun on this device and are not with the server yet. */
export function useBegun(): readonly { readonly id: string; readonly sheet: SetupSheet }[] {
  return useOutbox()
    .filter(isOfStream('setup'))
    .filter(({ begins, refused }) => begins === true && refused === undefined)
    .map(({ stream, fact }) => ({ id: stream.id, sheet: fact.body as SetupSheet }))
}
