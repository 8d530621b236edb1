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
 *
 * Facts that hold only for what was there before them (read-backs, events, proofs, acceptances, checks) are given how much that
 * was: the order counts, not the clocks.
 */
export function appendFact(
  document: SetupDocument,
  fact: NewFact,
  stamp: FactStamp,
): SetupDocument {
  const entered = { id: fact.id, by: stamp.by, at: stamp.at }
  const after = {
    afterReadings: document.readings.length,
    afterReadBacks: document.readBacks.length,
  }
  switch (fact.kind) {
    case 'sheet':
      return { ...document, sheet: fact.body }
    case 'reading':
      return { ...document, readings: [...document.readings, { ...fact.body, ...entered }] }
    case 'key-in':
      return { ...document, keyIns: [...document.keyIns, { ...fact.body, ...entered }] }
    case 'read-back':
      return {
        ...document,
        readBacks: [
          ...document.readBacks,
          { ...fact.body, ...entered, afterReadings: after.afterReadings },
        ],
      }
    case 'event':
      return {
        ...document,
        events: [...(document.events ?? []), { ...fact.body, ...entered, ...after }],
      }
    case 'acceptance':
      return {
        ...document,
        acceptances: [...(document.acceptances ?? []), { ...fact.body, ...entered, ...after }],
      }
    case 'proof':
      return {
        ...document,
        proofs: [...(document.proofs ?? []), { ...fact.body, ...entered, ...after }],
      }
    case 'lift':
      return { ...document, lifts: [...(document.lifts ?? []), { ...fact.body, ...entered }] }
    case 'check-off': {
      const seenTo = {
        afterEvents: document.events?.length ?? 0,
        afterReadBacks: document.readBacks.length,
        afterPrograms: document.programs?.length ?? 0,
        afterProgramChecks: document.programChecks?.length ?? 0,
      }
      return {
        ...document,
        checkOffs: [...(document.checkOffs ?? []), { ...fact.body, ...entered, ...seenTo }],
      }
    }
    case 'program':
      return { ...document, programs: [...(document.programs ?? []), { ...fact.body, ...entered }] }
    case 'program-check':
      return {
        ...document,
        programChecks: [...(document.programChecks ?? []), { ...fact.body, ...entered }],
      }
    case 'record':
      return document
  }
}

/** The ids of every fact in a document. */
export function factIds(document: SetupDocument): ReadonlySet<string> {
  const { readings, keyIns, readBacks } = document
  const { events = [], acceptances = [], proofs = [], lifts = [], checkOffs = [] } = document
  const { programs = [], programChecks = [] } = document
  return new Set(
    [
      readings,
      keyIns,
      readBacks,
      events,
      acceptances,
      proofs,
      lifts,
      checkOffs,
      programs,
      programChecks,
    ]
      .flat()
      .map(({ id }) => id),
  )
}
