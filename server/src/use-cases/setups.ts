import { isDeepStrictEqual } from 'node:util'
import {
  reportProblem,
  viewSolution,
  type NewFact,
  type Person,
  type SetupAnswer,
  type SetupSummary,
} from '@pine/contract'
import {
  checkDocument,
  nextStep,
  solve,
  stepName,
  stepsOf,
  type SetupDocument,
  type SetupSheet,
} from '@pine/core'
import { validate as isUuid } from 'uuid'
import type { Clock } from '../clock'
import { accept, refuse, refuseInput, type Outcome } from '../refusal'
import type { FactRow, NewFactRow, SetupRow, Store } from '../store/store'
import { contentHash } from './canonical'
import { documentOf, recordsOf } from './setup-document'

/** Makes a set-up from its first sheet. The same ids again are the same set-up. */
export async function createSetup(
  store: Store,
  clock: Clock,
  person: Person,
  request: { readonly id: string; readonly sheetFactId: string; readonly sheet: SetupSheet },
): Promise<Outcome<SetupAnswer>> {
  const { id, sheetFactId, sheet } = request
  const problems = checkDocument({
    format: 'pine-compass/setup',
    version: 1,
    id,
    sheet,
    readings: [],
    keyIns: [],
    readBacks: [],
  })
  if (problems.length > 0) return refuseInput(problems.map(reportProblem))
  const written = await store.addSetup(id, {
    id: sheetFactId,
    setupId: id,
    kind: 'sheet',
    body: sheet,
    personId: person.id,
    recordedAt: clock(),
  })
  const setup = await store.setup(id)
  const sameFact = setup?.facts.find((fact) => fact.id === sheetFactId)
  if (setup === undefined || (written !== 'written' && !isDeepStrictEqual(sameFact?.body, sheet)))
    return idInUse(id)
  return accept(answerOf(setup, clock))
}

export async function openSetup(
  store: Store,
  clock: Clock,
  id: string,
): Promise<Outcome<SetupAnswer>> {
  const setup = isUuid(id) ? await store.setup(id) : undefined
  return setup === undefined ? noSetup(id) : accept(answerOf(setup, clock))
}

export async function listSetups(store: Store, clock: Clock): Promise<readonly SetupSummary[]> {
  const now = clock().toISOString()
  return (await store.setups()).map((setup) => summaryOf(setup, now))
}

/**
 * Appends a fact to a set-up and answers with the set-up as it now stands.
 *
 * The whole document with the new fact must still be sound, so a reading of an unknown tool, or a
 * sheet that drops a gauge that was used, is refused with its place. A fact whose id was used
 * before for the same content is the same fact: a retried request changes nothing.
 */
export async function addFact(
  store: Store,
  clock: Clock,
  person: Person,
  setupId: string,
  fact: NewFact,
): Promise<Outcome<SetupAnswer>> {
  if (!isUuid(setupId)) return noSetup(setupId)
  const row: Omit<NewFactRow, 'body'> = {
    id: fact.id,
    setupId,
    kind: fact.kind,
    personId: person.id,
    recordedAt: clock(),
  }
  const appended = await store.appendFact(row, (setup) =>
    fact.kind === 'record'
      ? freeze(setup, clock)
      : checkFact(setup, { ...row, body: fact.body, sequence: 0, personName: person.name }),
  )
  if (appended === 'no-setup') return noSetup(setupId)
  if (!appended.ok) return appended
  const { kind, body } = appended.value
  const same =
    kind === fact.kind &&
    (kind === 'record' || isDeepStrictEqual(body, JSON.parse(JSON.stringify(fact.body))))
  return same ? openSetup(store, clock, setupId) : idInUse(fact.id)
}

function checkFact(setup: SetupRow, fact: FactRow): Outcome<object> {
  const problems = checkDocument(documentOf({ id: setup.id, facts: [...setup.facts, fact] }))
  return problems.length === 0 ? accept(fact.body) : refuseInput(problems.map(reportProblem))
}

/** The body of a record: the document with its solution, frozen, and the hash of both. */
function freeze(setup: SetupRow, clock: Clock): Outcome<object> {
  const document = documentOf(setup)
  const solution = solve(document, { now: clock().toISOString() })
  const open = stepsOf(document, solution, false).filter(
    ({ step, done }) => !done && step.does !== 'record',
  )
  if (open.length > 0) {
    const names = open.map(({ step }) => stepName(document, step))
    return refuse('steps-open', {
      message: `${names.join(', ')} ${open.length === 1 ? 'is' : 'are'} still open.`,
      expected: 'every step done: read, keyed in and read back, proven, seen to',
      received: open.map(({ step, trust }) => `${step.key} ${trust}`).join(', '),
      remedy: 'Do what is open, or leave it out with a reason, then release.',
    })
  }
  const frozen = { document, solution: viewSolution(document, solution) }
  return accept({ ...frozen, hash: contentHash(frozen) })
}

function answerOf(setup: SetupRow, clock: Clock): SetupAnswer {
  const document = documentOf(setup)
  return {
    document: structuredClone(document) as SetupAnswer['document'],
    solution: viewSolution(document, solve(document, { now: clock().toISOString() })),
    records: [...recordsOf(setup)],
    released: isReleased(setup),
    createdBy: setup.createdByName,
    createdAt: setup.createdAt.toISOString(),
  }
}

/** The last record stands: nothing was entered since the record; looking at the file at the machine changes nothing in the set-up. */
const isReleased = ({ facts }: SetupRow): boolean =>
  facts.findLast(({ kind }) => kind !== 'program-check')?.kind === 'record'

function summaryOf(setup: SetupRow, now: string): SetupSummary {
  const document: SetupDocument = documentOf(setup)
  const solution = solve(document, { now })
  const recorded = setup.facts.some(({ kind }) => kind === 'record')
  const steps = stepsOf(document, solution, isReleased(setup))
  const last = setup.facts.at(-1)
  return {
    id: setup.id,
    name: document.sheet.name,
    machine: document.sheet.machine.name,
    unit: document.sheet.unit,
    createdAt: setup.createdAt.toISOString(),
    changedAt: (last?.recordedAt ?? setup.createdAt).toISOString(),
    changedBy: last?.personName ?? setup.createdByName,
    stepsDone: steps.filter(({ done }) => done).length,
    stepsTotal: steps.length,
    nextStation: nextStep(steps)?.step.station ?? null,
    recorded,
    warnings: solution.warnings.length,
  }
}

const noSetup = (id: string) =>
  refuse('not-found', {
    message: 'There is no such set-up.',
    expected: 'the id of a set-up in the list',
    received: id,
    remedy: 'Go back to the list of set-ups and open one from there.',
  })

const idInUse = (id: string) =>
  refuse('id-already-used', {
    place: 'id',
    message: 'This id was already used for something else.',
    expected: 'a new UUID for each new fact',
    received: id,
    remedy: 'Send the fact again with a new id.',
  })
