import { useCallback, useMemo } from 'react'
import useSWR from 'swr'
import { v7 as uuid } from 'uuid'
import { recordSchema, setupAnswerSchema, type NewFact } from '@pine/contract'
import {
  appendFact,
  factIds,
  foldSetup,
  type SetupDocument,
  type SetupFact,
  type SetupFile,
} from '@pine/core/facts'
import { type Author } from '@pine/core/journal'
import { deviceId } from '../device/device-id'
import { api, ask } from '../server/api'
import { post } from '../outbox/outbox'
import { isOfStream, type SetupEntry } from '../outbox/outbox-entry'
import { useOutbox } from '../outbox/outbox-store'
import type { FactDraft } from '../outbox/fact-draft'
import { useSession } from '../server/session'
import { policyOf, useMachines } from '../shop/shop'
import { setupKey, useShown } from './shown-setups'
import { standing } from './standing'

/**
 * Enters a fact into a set-up: kept here at once, sent as soon as the server answers.
 *
 * @param seen how many of its facts this device has from the server.
 */
export function enterFact(
  setupId: string,
  draft: FactDraft,
  by: Author,
  seen: number,
): Promise<void> {
  const fact = { id: uuid(), ...draft } as NewFact
  const stream = { kind: 'setup', id: setupId } as const
  return post({ stream, fact, by, at: new Date().toISOString(), seen, device: deviceId() })
}

/**
 * One set-up as it stands, with what was entered here and is still on its way. Everything is
 * worked out on this device by the same core as on the server.
 */
export function useSetup(id: string) {
  const { person } = useSession()
  useShown(id)
  const { all: machines } = useMachines()
  const { data, error } = useSWR(setupKey(id), () =>
    ask(api.setups[':id'].$get({ param: { id } }), setupAnswerSchema),
  )
  const outbox = useOutbox()
  const waiting = useMemo(
    () => outbox.filter(isOfStream('setup', id)).filter(({ refused }) => refused === undefined),
    [outbox, id],
  )
  const known = useMemo(
    () => (data === undefined ? begunDocument(id, waiting) : foldSetup(data.file)),
    [data, id, waiting],
  )
  // Step by step, so that what changes nothing is not worked out again: a fact that arrives at the server was in it before.
  const written = useMemo(() => known && withWaiting(known, waiting), [known, waiting])
  const inForce = written && policyOf(machines, written.sheet)
  const setup = useMemo(
    () => written && standing(written, new Date().toISOString(), inForce),
    [written, inForce],
  )
  const seen = known?.length ?? 1
  /** Enters a fact: kept here at once, sent as soon as the server answers. */
  const enter = useCallback(
    (draft: FactDraft): Promise<void> => enterFact(id, draft, person ?? { name: '' }, seen),
    [id, person, seen],
  )
  return { setup, error: error as unknown, enter }
}

/** The facts of a set-up as they stand here, with what waits: what a file of it holds. Undefined until it is there. */
export function useSetupFile(id: string): SetupFile | undefined {
  const { data } = useSWR(setupKey(id), () =>
    ask(api.setups[':id'].$get({ param: { id } }), setupAnswerSchema),
  )
  const outbox = useOutbox()
  return useMemo(() => {
    const sent = (data?.file.facts ?? []) as readonly SetupFact[]
    const ids = new Set(sent.map((fact) => fact.id))
    const waiting = outbox
      .filter(isOfStream('setup', id))
      .filter(({ refused, fact }) => refused === undefined && !ids.has(fact.id))
    const facts = [...sent, ...waiting.map(factOfEntry)]
    return facts.length === 0 ? undefined : { format: 'pine-compass/setup', version: 2, id, facts }
  }, [data, outbox, id])
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
export function withWaiting(known: SetupDocument, waiting: readonly SetupEntry[]): SetupDocument {
  const ids = factIds(known)
  return waiting
    .filter(({ fact, begins }) => begins !== true && !ids.has(fact.id) && fact.kind !== 'record')
    .map(factOfEntry)
    .reduce(appendFact, known)
}

/** A set-up as it was begun here; undefined where it was not. */
export function begunDocument(
  id: string,
  waiting: readonly SetupEntry[],
): SetupDocument | undefined {
  const first = waiting.find(({ begins }) => begins === true)
  return first && foldSetup({ id, facts: [factOfEntry(first)] })
}

/** What was entered, as the fact that it will be. */
export const factOfEntry = ({ fact, by, at, seen, device }: SetupEntry): SetupFact =>
  ({
    via: 'typed',
    ...fact,
    by: typeof by === 'string' ? { name: by } : by,
    at,
    ...(seen !== undefined && { seen }),
    ...(device !== undefined && { device }),
  }) as SetupFact
