import {
  reportProblem,
  type FactsAnswer,
  type KeptAnswer,
  type FirstParts,
  type TouchPlanAnswer,
  type MachineEntry,
  type Member,
  type NewFact,
  type Person,
  type SetupAnswer,
  type SetupQuery,
  type SetupRecord,
  type SolutionView,
} from '@pine/contract'
import { underPolicy } from '@pine/core/facts'
import { checkSheet, type SetupSheet } from '@pine/core/sheet'
import { validate as isUuid } from 'uuid'
import type { Clock } from '../../clock'
import { accept, refuseInput, type Outcome } from '../../refusal'
import type { NewFactRow } from '../../store/rows/fact-row'
import type { Appended, Store } from '../../store/store'
import { workHere, type SetupWork, type WorkRequest } from '../../work/setup-work'
import { notAllowed } from '../people/allowed'
import { contentHash } from '../canonical'
import { KeyedQueue, QueueTimeout } from '../facts/keyed-queue'
import { recordOf } from './records'
import { machinesOf, policyInForce, policyOf } from '../shop'
import { listSetups } from './setup-list'
import { asSent, isSame, isSameFact, momentOf, type FactMetadata } from '../facts/sent-facts'
import { factOf, type SetupCache, SetupStreams, LoadedSetup } from '../facts/set-up-streams'
import { MOST_FACTS, noRecord, noSetup, setupFull, stepsOpen } from '../facts/setup-refusals'
import { enteredByAnother, idInUse } from '../facts/stream-refusals'
import { answerAsJson, answerOf } from './setup-answers'
import { keptFor } from '../facts/kept'
import { firstPartsOf } from './first-parts'
import { touchPlanFor } from './touch-plan'
import { summaryOf } from './summaries'
import { notifyRecheck } from '../facts/notify-setups'
import { keepTools } from '../tools'

/** What can be asked of the set-ups of a shop. */
export interface Setups {
  create(
    person: Member,
    request: { readonly id: string; readonly sheetFactId: string; readonly sheet: SetupSheet },
    beside?: Omit<FactMetadata, 'known'>,
  ): Promise<Outcome<SetupAnswer>>
  open(id: string): Promise<Outcome<SetupAnswer>>
  /** The same as JSON, as it goes out. */
  openAsJson(id: string): Promise<Outcome<string>>
  /** The facts from a place on: what a device lacks. */
  since(id: string, from: number): Promise<Outcome<FactsAnswer>>
  solution(id: string): Promise<Outcome<SolutionView>>
  /** What earlier set-ups tell of its tools. */
  kept(id: string): Promise<Outcome<KeptAnswer>>
  /** What is left to touch of it, planned. */
  touchPlan(id: string): Promise<Outcome<TouchPlanAnswer>>
  /** What was measured of the parts of its job, repeat after repeat. */
  firstParts(id: string): Promise<Outcome<FirstParts>>
  record(id: string, recordId: string): Promise<Outcome<SetupRecord>>
  /** Summaries of those that are asked for, the youngest first, and how many there are in all: a `SetupPage`, as JSON. */
  list(query?: SetupQuery): Promise<string>
  add(
    person: Member,
    setupId: string,
    fact: NewFact,
    beside?: FactMetadata,
  ): Promise<Outcome<FactsAnswer>>
}

/** Who waits longer for a set-up is told that it is busy; the device sends again by itself. */
const LONGEST_WAIT_MS = 4000
/** So often another process may be first: each time, its fact is written. */
const MOST_TRIES = 20

/**
 * @param parts.work by whom set-ups are worked out; here and now, where it is not said.
 * @param parts.cache what several shops of one process keep together.
 */
export function setupsOf(
  store: Store,
  clock: Clock,
  { work = workHere, cache }: { readonly work?: SetupWork; readonly cache?: SetupCache } = {},
): Setups {
  const streams = new SetupStreams(store, cache)
  const turns = new KeyedQueue(LONGEST_WAIT_MS)
  const opened = async (id: string): Promise<Outcome<LoadedSetup>> => {
    const setup = isUuid(id) ? await streams.open(id) : undefined
    return setup === undefined ? noSetup(id) : accept(setup)
  }

  /**
   * Decides of a new fact by what is known of its set-up, and writes it at the next place. Where another process was first
   * there, or what is known does not allow it, what came since is read and it is decided anew: no lock is held meanwhile.
   */
  async function addTo(
    setupId: string,
    fact: NewFact,
    row: Omit<NewFactRow, 'body'>,
    from: { readonly person: Member; readonly seen: number | undefined },
  ): Promise<Outcome<LoadedSetup>> {
    const known = streams.known(setupId)
    let [setup, machines] = await Promise.all([known ?? streams.open(setupId), machinesOf(store)])
    let isFresh = known === undefined
    for (let tries = 0; tries < MOST_TRIES; tries += 1) {
      if (setup === undefined) return noSetup(setupId)
      const before = setup.facts.find(({ id }) => id === fact.id)
      if (before !== undefined) return isSameFact(before, fact) ? accept(setup) : idInUse(fact.id)
      if (setup.facts.length >= MOST_FACTS) return setupFull()
      const decided = await decide(setup, machines, fact, row, from)
      if (decided.ok) {
        const { grown, ...what } = decided.value
        if ((await store.appendFact(setup, setup.facts.length, what)) === 'written')
          return accept(streams.hold(grown))
      } else if (isFresh) return decided
      const { length } = setup.facts
      ;[setup, machines] = await Promise.all([streams.open(setupId), machinesOf(store)])
      // Its place is free, so it is its id that another set-up has.
      if (decided.ok && setup?.facts.length === length) return idInUse(fact.id)
      isFresh = true
    }
    throw new QueueTimeout('others were always first')
  }

  /** A set-up with a new fact, and what is written of it; or why it may not be added to what stands. */
  async function decide(
    setup: LoadedSetup,
    machines: readonly MachineEntry[],
    fact: NewFact,
    row: Omit<NewFactRow, 'body'>,
    { person, seen }: { readonly person: Member; readonly seen: number | undefined },
  ): Promise<Outcome<Appended & { readonly grown: LoadedSetup }>> {
    const sheet = fact.kind === 'sheet' ? (fact.body as SetupSheet) : setup.document.sheet
    const request: WorkRequest = { now: clock().toISOString(), policy: policyOf(machines, sheet) }
    const made =
      fact.kind === 'record'
        ? await freeze(setup, work, request)
        : accept({ body: fact.body as object })
    if (!made.ok) return made
    // As the database will tell it: what is undefined is not kept.
    const body = JSON.parse(JSON.stringify(made.value.body)) as object
    const known = seen === undefined ? undefined : Math.min(seen, setup.facts.length)
    const grown = setup.withFacts([factOf({ ...row, seen: known, by: authorOf(person), body })])
    const weighed = await work.weighed(grown, request)
    if (weighed.problems !== undefined)
      return refuseInput(
        weighed.problems.map((problem) => reportProblem(asSent(problem, fact, setup.facts.length))),
      )
    const { summary, uses } = weighed
    const news = grown.changedUses(uses)
    const written = { ...row, body, seen: known }
    return accept({ ...made.value, grown, fact: written, summary, ...(news && { uses: news }) })
  }

  const setups: Setups = {
    /** Makes a set-up from its first sheet. The same ids again are the same set-up. */
    async create(person, { id, sheetFactId, sheet }, { by: enteredBy, at: entered, sent } = {}) {
      if (enteredBy !== undefined && enteredBy !== person.id) return enteredByAnother()
      const refusal = notAllowed(person, 'enter')
      if (refusal) return { ok: false, refusal }
      const by = authorOf(person)
      const at = momentOf({ at: entered, sent }, clock())
      const first: NewFactRow = {
        id: sheetFactId,
        kind: 'sheet',
        body: sheet,
        via: 'typed',
        personId: person.id,
        recordedAt: at,
      }
      const fact = factOf({ ...first, by })
      const problems = checkSheet(sheet)
      if (problems.length > 0) return refuseInput(problems.map(reportProblem))
      const begun = new LoadedSetup({ id, createdBy: by, createdAt: at }, [fact])
      const policy = await policyInForce(store, sheet)
      await keepTools({ store, clock, setups }, person, sheet)
      const written = await store.beginStream(
        { id, kind: 'setup' },
        first,
        summaryOf(begun, at.toISOString(), policy),
      )
      const setup = await streams.open(id)
      const same = setup?.facts[0]
      if (
        setup === undefined ||
        (written !== 'written' && !(same?.id === sheetFactId && isSame(same.body, sheet)))
      )
        return idInUse(id)
      return accept(answerOf(setup))
    },

    async open(id) {
      const setup = await opened(id)
      return setup.ok ? accept(answerOf(setup.value)) : setup
    },

    async openAsJson(id) {
      const known = isUuid(id) ? await store.setupJson(id) : undefined
      return known === undefined ? noSetup(id) : accept(answerAsJson(known))
    },

    async since(id, from) {
      const setup = await opened(id)
      return setup.ok ? accept({ from, facts: setup.value.facts.slice(from) }) : setup
    },

    /** Every register as the server works it out now. */
    async solution(id) {
      const setup = await opened(id)
      if (!setup.ok) return setup
      const policy = await policyInForce(store, setup.value.document.sheet)
      return accept(await work.solution(setup.value, { now: clock().toISOString(), policy }))
    },

    async kept(id) {
      const setup = await opened(id)
      return setup.ok ? accept(await keptFor(store, clock, work, setup.value)) : setup
    },

    async firstParts(id) {
      const setup = await opened(id)
      return setup.ok ? accept(await firstPartsOf(store, setup.value)) : setup
    },

    async touchPlan(id) {
      const setup = await opened(id)
      return setup.ok ? accept(await touchPlanFor(store, clock, work, setup.value)) : setup
    },

    async record(id, recordId) {
      const setup = await opened(id)
      if (!setup.ok) return setup
      const recorded = setup.value.document.records.find((one) => one.id === recordId)
      const frozen = recorded && (await store.frozen(recordId))
      return recorded && frozen ? accept(recordOf(recorded, frozen)) : noRecord(recordId)
    },

    list: (query = {}) => listSetups({ store, clock, work, streams }, query),

    /**
     * Appends a fact to a set-up and answers with it, and with whatever else the sender does not know yet.
     *
     * The whole document with the new fact must still be sound, so a reading of an unknown tool, or a
     * sheet that drops a gauge that was used, is refused with its place. A fact whose id was used
     * before for the same content is the same fact: a retried request changes nothing.
     *
     * A fact that waited on its device is recorded at the moment when it was entered.
     */
    async add(person, setupId, fact, { known, seen, device, by, at: entered, sent } = {}) {
      if (!isUuid(setupId)) return noSetup(setupId)
      if (by !== undefined && by !== person.id) return enteredByAnother()
      const refusal = notAllowed(person, fact.kind === 'put-away' ? 'put-away' : 'enter')
      if (refusal) return { ok: false, refusal }
      const at = momentOf({ at: entered, sent }, clock())
      const { id, kind, via = 'typed' } = fact
      const row = { id, kind, via, personId: person.id, recordedAt: at, device }
      const added = await turns.run(setupId, () => addTo(setupId, fact, row, { person, seen }))
      if (!added.ok) return added
      if (fact.kind === 'sheet')
        await keepTools({ store, clock, setups }, person, fact.body as SetupSheet)
      if (fact.kind === 'event' && fact.body.kind === 'tool-rechecked') {
        const { sheet } = added.value.document
        await notifyRecheck({ store, setups }, person, { from: setupId, sheet }, fact)
      }
      const { facts } = added.value
      const place = facts.findLastIndex(({ id }) => id === fact.id)
      const from = Math.min(known ?? place, place)
      return accept({ from, facts: facts.slice(from) })
    },
  }
  return setups
}

/** Who stands in a fact: what they may do today is none of its business. */
const authorOf = ({ id, name }: Member): Person => ({ id, name })

/** The body of a record, and what it freezes: every fact before it with the solution of them all. */
async function freeze(
  setup: LoadedSetup,
  work: SetupWork,
  request: WorkRequest,
): Promise<Outcome<{ readonly body: object; readonly frozen: object }>> {
  const { open, solution } = await work.toFreeze(setup, request)
  if (open.length > 0) return stepsOpen(underPolicy(setup.document, request.policy), open)
  const frozen = { version: 2, facts: setup.facts, solution }
  return accept({ body: { hash: contentHash(frozen) }, frozen })
}
