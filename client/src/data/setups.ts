import { useMemo } from 'react'
import useSWR, { mutate } from 'swr'
import { z } from 'zod'
import {
  appendFact,
  factIds,
  setupAnswerSchema,
  setupSummarySchema,
  type NewFact,
} from '@pine/contract'
import {
  nextStep,
  solve,
  stepsOf,
  type SetupDocument,
  type SetupSheet,
  type Solution,
  type StepState,
} from '@pine/core'
import { api, ask, sendable } from './api'
import { post, useOutbox } from './outbox'
import { useSession } from './session'

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
    api.setups[':id'].facts.$post({ param: { id }, json: fact }),
    setupAnswerSchema,
  )
  await mutate(['setup', id], answer, { revalidate: false })
}

/**
 * One set-up as it stands, with what was entered here and is still on its way. Everything is
 * worked out on this device by the same core as on the server.
 */
export function useSetup(id: string) {
  const { person } = useSession()
  const { data, error } = useSWR(['setup', id], () =>
    ask(api.setups[':id'].$get({ param: { id } }), setupAnswerSchema),
  )
  const outbox = useOutbox()
  const waiting = useMemo(
    () => outbox.filter(({ setupId, refused }) => setupId === id && refused === undefined),
    [outbox, id],
  )
  const setup = useMemo(() => {
    if (data === undefined) return undefined
    const known = factIds(data.document)
    const document = waiting
      .filter(({ fact }) => !known.has(fact.id))
      .reduce<SetupDocument>(
        (before, { fact, by, at }) => appendFact(before, fact, { by, at }),
        data.document,
      )
    const changes = waiting.some(({ fact }) => fact.kind !== 'program-check')
    return standing(document, data.released && !changes)
  }, [data, waiting])
  return {
    setup,
    records: data?.records ?? [],
    error: error as unknown,
    /** Enters a fact: kept here at once, sent as soon as the server answers. */
    enter(fact: NewFact): Promise<void> {
      return post({ setupId: id, fact, by: person?.name ?? '', at: new Date().toISOString() })
    },
  }
}

export interface StandingSetup {
  readonly document: SetupDocument
  readonly solution: Solution
  readonly steps: readonly StepState[]
  readonly next: StepState | undefined
}

function standing(document: SetupDocument, released: boolean): StandingSetup {
  const solution = solve(document, { now: new Date().toISOString() })
  const steps = stepsOf(document, solution, released)
  return { document, solution, steps, next: nextStep(steps) }
}
