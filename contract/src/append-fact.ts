import type { SetupDocument } from '@pine/core'
import type { NewFact } from './api'

/** Who entered a fact, and when. */
export interface FactStamp {
  readonly by: string
  /** ISO 8601 with zone. */
  readonly at: string
}

/**
 * The document with one more fact. The server puts stored facts together by it, the interface
 * those that are still on their way, so both see the same document.
 */
export function appendFact(
  document: SetupDocument,
  fact: NewFact,
  stamp: FactStamp,
): SetupDocument {
  const entered = { id: fact.id, by: stamp.by, at: stamp.at }
  switch (fact.kind) {
    case 'sheet':
      return { ...document, sheet: fact.body }
    case 'reading':
      return { ...document, readings: [...document.readings, { ...fact.body, ...entered }] }
    case 'key-in':
      return { ...document, keyIns: [...document.keyIns, { ...fact.body, ...entered }] }
    case 'read-back':
      return { ...document, readBacks: [...document.readBacks, { ...fact.body, ...entered }] }
    case 'record':
      return document
  }
}
