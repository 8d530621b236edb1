import { useMemo } from 'react'
import useSWR from 'swr'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import {
  factsAnswerSchema,
  recordSchema,
  setupAnswerSchema,
  setupSummarySchema,
  type NewFact,
} from '@pine/contract'
import {
  appendFact,
  factIds,
  foldSetup,
  type SetupDocument,
  type SetupFact,
} from '@pine/core/facts'
import { type SetupSheet } from '@pine/core/sheet'
import { api, ask, sendable } from './api'
import { post } from './outbox'
import { useOutbox, type OutboxEntry } from './outbox-store'
import type { Said } from './said'
import { useSession } from './session'
import { setupKey, showFacts } from './shown-setups'
import { standing } from './standing'

export function useSetups() {
  const { data, error } = useSWR('setups', () =>
    ask(api.setups.$get(), z.array(setupSummarySchema)),
  )
  return { setups: data, error: error as unknown }
}

/** Makes a set-up. The same ids again are the same set-up. */
export async function createSetup(request: {
  id: string
  sheetFactId: string
  sheet: SetupSheet
}): Promise<void> {
  await ask(api.setups.$post({ json: sendable(request) }), setupAnswerSchema)
}

/** Adds a fact and waits: for what cannot go on before the server has agreed, such as another sheet. */
export async function addFactNow(id: string, fact: NewFact): Promise<void> {
  const answer = await ask(
    api.setups[':id'].facts.$post({ param: { id }, query: {}, json: fact }),
    factsAnswerSchema,
  )
  await showFacts(id, answer)
}

/**
 * One set-up as it stands, with what was entered here and is still on its way. Everything is
 * worked out on this device by the same core as on the server.
 */
export function useSetup(id: string) {
  const { person } = useSession()
  const { data, error } = useSWR(setupKey(id), () =>
    ask(api.setups[':id'].$get({ param: { id } }), setupAnswerSchema),
  )
  const outbox = useOutbox()
  const waiting = useMemo(
    () => outbox.filter(({ setupId, refused }) => setupId === id && refused === undefined),
    [outbox, id],
  )
  const known = useMemo(() => data && foldSetup(data.file), [data])
  const setup = useMemo(
    () => known && standing(withWaiting(known, waiting), new Date().toISOString()),
    [known, waiting],
  )
  return {
    setup,
    error: error as unknown,
    /** Enters a fact: kept here at once, sent as soon as the server answers. */
    enter(said: Said): Promise<void> {
      return post({
        setupId: id,
        fact: { id: uuid(), ...said } as NewFact,
        by: person ?? { name: '' },
        at: new Date().toISOString(),
      })
    },
  }
}

/** What a release froze. */
export function useRecord(setupId: string, recordId: string) {
  const { data, error } = useSWR(['record', setupId, recordId], () =>
    ask(
      api.setups[':id'].records[':record'].$get({ param: { id: setupId, record: recordId } }),
      recordSchema,
    ),
  )
  return { record: data, error: error as unknown }
}

/** A set-up with what was entered here since. A release is one when the server has frozen it, and not before. */
export function withWaiting(known: SetupDocument, waiting: readonly OutboxEntry[]): SetupDocument {
  const ids = factIds(known)
  return waiting
    .filter(({ fact }) => !ids.has(fact.id) && fact.kind !== 'record')
    .map(
      ({ fact, by, at }) =>
        ({
          via: 'typed',
          ...fact,
          by: typeof by === 'string' ? { name: by } : by,
          at,
        }) as SetupFact,
    )
    .reduce(appendFact, known)
}
