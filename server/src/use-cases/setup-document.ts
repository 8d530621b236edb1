import {
  appendFact,
  newFactSchema,
  recordSchema,
  setupSheetSchema,
  type SetupRecord,
} from '@pine/contract'
import type { SetupDocument } from '@pine/core'
import type { FactRow, SetupRow } from '../store/store'

/** Puts the facts of a set-up together as the document that core works on. */
export function documentOf({ id, facts }: Pick<SetupRow, 'id' | 'facts'>): SetupDocument {
  const [first, ...rest] = facts
  if (first?.kind !== 'sheet') throw new Error(`set-up ${id} does not begin with a sheet`)
  const begun: SetupDocument = {
    format: 'pine-compass/setup',
    version: 1,
    id,
    sheet: setupSheetSchema.parse(first.body),
    readings: [],
    keyIns: [],
    readBacks: [],
  }
  return rest
    .filter(({ kind }) => kind !== 'record')
    .reduce(
      (document, fact) =>
        appendFact(
          document,
          newFactSchema.parse({ id: fact.id, kind: fact.kind, body: fact.body }),
          stampOf(fact),
        ),
      begun,
    )
}

/** The frozen records, in the order in which they were made. */
export function recordsOf({ facts }: Pick<SetupRow, 'facts'>): readonly SetupRecord[] {
  return facts
    .filter(({ kind }) => kind === 'record')
    .map((fact) => recordSchema.parse({ ...fact.body, id: fact.id, ...stampOf(fact) }))
}

const stampOf = ({ personName, recordedAt }: FactRow) => ({
  by: personName,
  at: recordedAt.toISOString(),
})
