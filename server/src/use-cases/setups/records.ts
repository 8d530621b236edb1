import { recordSchema, type SetupRecord } from '@pine/contract'
import type { Recorded } from '@pine/core/facts'
import { contentHash } from '../canonical'

/** What a release froze: facts since version 2, a document with its lists before. */
interface Frozen {
  readonly facts?: readonly { readonly kind: string }[]
  readonly document?: { readonly readings: readonly unknown[]; readonly keyIns: readonly unknown[] }
  readonly solution?: unknown
}

/** A record as it is shown: from what was frozen, nothing worked out again. */
export function recordOf({ id, by, at, hash }: Recorded, frozen: Frozen): SetupRecord {
  const { facts = [], document, solution } = frozen
  const count = (kind: string) => facts.filter((fact) => fact.kind === kind).length
  return recordSchema.parse({
    id,
    by: by.name,
    at,
    hash,
    altered: contentHash(frozen) !== hash,
    readings: document?.readings.length ?? count('reading'),
    keyIns: document?.keyIns.length ?? count('key-in'),
    solution,
  })
}
