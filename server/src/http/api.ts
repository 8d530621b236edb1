// The inferred type of the API names these: what is built of it can be written down only where they are known.
import type {} from '@pine/core/touch'
import { Hono } from 'hono'
import { besideFactSchema } from './beside-fact'
import { bodyLimit } from 'hono/body-limit'
import { HTTPException } from 'hono/http-exception'
import { requestId } from 'hono/request-id'
import { z } from 'zod'
import {
  LONGEST_PROGRAM,
  changedGaugeSchema,
  changedMachineSchema,
  newFactSchema,
  newMachineSchema,
  newSetupSchema,
  newShopGaugeSchema,
  searchQuerySchema,
  setupQuerySchema,
} from '@pine/contract'
import type { Clock } from '../clock'
import { SESSIONS_CHANGED, type Changes } from '../store/changes'
import type { Store } from '../store/store'
import type { SetupWork } from '../work/setup-work'
import {
  addGauge,
  addMachine,
  changeGauge,
  changeMachine,
  gaugesOf,
  machinesOf,
} from '../use-cases/shop'
import { keepProgramText, programText } from '../use-cases/programs'
import { searchEverything } from '../use-cases/search'
import type { SetupsAtHand } from '../use-cases/set-up-streams'
import { setupsOf } from '../use-cases/setups'
import { arrivalOf, type Arrival } from './arrival'
import { body, query } from './body'
import { gaugeCheckRoutes } from './gauge-check-routes'
import { liveRoutes } from './live'
import { openPeopleRoutes, peopleRoutes, type Door } from './people-routes'
import { passingFailure } from '../store/failures'
import { NotInTime } from '../use-cases/in-turn'
import { busy, databaseAway, noRoute, notJson, tooLarge, unexpected } from './refusals'
import { soundBody, soundHead } from './gate'
import { onlyOwnPages } from './own-pages'
import { replyJson, replyRefusal } from './reply'
import { noteSecurity, requirePerson, type Signed } from './session'
import { machineRoutes } from './machine-routes'
import { toolRoutes } from './tool-routes'

/** From which place on the facts of a set-up are wanted. */
const sinceSchema = z.object({ from: z.coerce.number().int().min(0) })

/** Longest request of somebody whom nobody has let in yet: a name, a PIN, a code. */
const LONGEST_OPEN_BODY = 2 * 1024
/** Longest request: a whole set-up with thousands of readings fits into a tenth of it. */
const LONGEST_BODY = 1024 * 1024

/** Paths that answer anybody. */
const OPEN = /^\/api\/(people|session|health)\/?$/
/** A product of one machine alone: whoever is first is its lead. */
const ON_LOOPBACK: Door = { firstNeedsCode: false, demoOnNetwork: false }

export interface ApiParts {
  readonly store: Store
  readonly clock: Clock
  /** Told about a failure that nobody expected; the person is told only that it was noted. */
  readonly onUnexpected: (cause: unknown, requestId: string) => void
  /** Facts as they are written. */
  readonly changes: Changes
  /** By whom set-ups are worked out; by whoever answers, where it is not said. */
  readonly work?: SetupWork
  /** What several shops of one process keep of their set-ups together. */
  readonly atHand?: SetupsAtHand
  /** How requests come here; straight, where it is not said. */
  readonly arrival?: Arrival
  /** How it stands to whoever comes from outside; as on loopback, where it is not said. */
  readonly door?: Door
}

/** The API. It translates in, calls a use case, and translates out. */
export function createApi({
  store,
  clock,
  onUnexpected,
  changes,
  work,
  atHand,
  arrival = arrivalOf(false),
  door = ON_LOOPBACK,
}: ApiParts) {
  const setups = setupsOf(store, clock, { ...(work && { work }), ...(atHand && { atHand }) })
  const open = new Hono()
    .get('/health', async (c) => {
      await store.ping()
      return c.json({ ok: true as const })
    })
    .route('/', openPeopleRoutes(store, clock, arrival, door))

  // Another process has ended sessions: who is signed in is asked anew here as well.
  changes.subscribe((heard) => heard === SESSIONS_CHANGED && store.sessionsChanged())

  const signed = new Hono<Signed>()
    .route('/', peopleRoutes(store, clock))
    .route('/', liveRoutes(store, clock, changes))
    .route('/', gaugeCheckRoutes(store, clock, setups))
    .route('/', toolRoutes(store, clock, setups))
    .route('/', machineRoutes(store, clock))
    .get('/machines', async (c) => c.json(await machinesOf(store)))
    .post('/machines', body(newMachineSchema), async (c) => {
      const added = await addMachine(store, clock, c.var.person, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
    .put('/machines/:id', body(changedMachineSchema), async (c) => {
      const { person } = c.var
      const id = c.req.param('id')
      const changed = await changeMachine(store, clock, person, id, c.req.valid('json'))
      return changed.ok ? c.json(changed.value) : replyRefusal(c, changed.refusal)
    })
    .get('/gauges', async (c) => c.json(await gaugesOf(store)))
    .post('/gauges', body(newShopGaugeSchema), async (c) => {
      const added = await addGauge(store, clock, c.var.person, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
    .put('/gauges/:id', body(changedGaugeSchema), async (c) => {
      const { person } = c.var
      const id = c.req.param('id')
      const changed = await changeGauge(store, clock, person, id, c.req.valid('json'))
      return changed.ok ? c.json(changed.value) : replyRefusal(c, changed.refusal)
    })
    .put('/programs/:sha256/text', async (c) => {
      const bytes = new Uint8Array(await c.req.arrayBuffer())
      const kept = await keepProgramText(store, clock, c.var.person, c.req.param('sha256'), bytes)
      return kept.ok ? c.json(kept.value, 201) : replyRefusal(c, kept.refusal)
    })
    .get('/programs/:sha256/text', async (c) => {
      const found = await programText(store, c.req.param('sha256'))
      // Bytes, not a page: a browser must not make anything of what stands in them.
      return found.ok
        ? c.body(new Uint8Array(found.value), 200, { 'Content-Type': 'application/octet-stream' })
        : replyRefusal(c, found.refusal)
    })
    .get('/search', query(searchQuerySchema), async (c) =>
      c.json(await searchEverything(store, c.req.valid('query').find)),
    )
    .get('/shop', async (c) => c.json(await store.shop()))
    .get('/setups', query(setupQuerySchema), async (c) =>
      replyJson(c, await setups.list(c.req.valid('query'))),
    )
    .post('/setups', query(besideFactSchema), body(newSetupSchema), async (c) => {
      const made = await setups.create(c.var.person, c.req.valid('json'), c.req.valid('query'))
      return made.ok ? c.json(made.value, 201) : replyRefusal(c, made.refusal)
    })
    .get('/setups/:id', async (c) => {
      const opened = await setups.openAsJson(c.req.param('id'))
      return opened.ok ? replyJson(c, opened.value) : replyRefusal(c, opened.refusal)
    })
    .get('/setups/:id/facts', query(sinceSchema), async (c) => {
      const since = await setups.since(c.req.param('id'), c.req.valid('query').from)
      return since.ok ? c.json(since.value) : replyRefusal(c, since.refusal)
    })
    .get('/setups/:id/solution', async (c) => {
      const solved = await setups.solution(c.req.param('id'))
      return solved.ok ? c.json(solved.value) : replyRefusal(c, solved.refusal)
    })
    .get('/setups/:id/touch-plan', async (c) => {
      const plan = await setups.touchPlan(c.req.param('id'))
      return plan.ok ? c.json(plan.value) : replyRefusal(c, plan.refusal)
    })
    .get('/setups/:id/kept', async (c) => {
      const kept = await setups.kept(c.req.param('id'))
      return kept.ok ? c.json(kept.value) : replyRefusal(c, kept.refusal)
    })
    .get('/setups/:id/records/:record', async (c) => {
      const found = await setups.record(c.req.param('id'), c.req.param('record'))
      return found.ok ? c.json(found.value) : replyRefusal(c, found.refusal)
    })
    .post('/setups/:id/facts', query(besideFactSchema), body(newFactSchema), async (c) => {
      const beside = c.req.valid('query')
      const added = await setups.add(c.var.person, c.req.param('id'), c.req.valid('json'), beside)
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })

  const limit = (maxSize: number) =>
    bodyLimit({ maxSize, onError: (c) => replyRefusal(c, tooLarge(maxSize)) })
  const forAnybody = limit(LONGEST_OPEN_BODY)
  const [forFacts, forPrograms] = [limit(LONGEST_BODY), limit(LONGEST_PROGRAM)]
  const longest = (path: string) =>
    path.startsWith('/api/programs/') ? forPrograms : OPEN.test(path) ? forAnybody : forFacts

  const person = requirePerson(store, clock)
  // One gate for every request: what names it, whose page sent it, who sends it, and only then what it says.
  return new Hono<Signed>()
    .use(requestId())
    .use('/api/*', async (c, next) => {
      await next()
      // What stands in a set-up is for whoever asked, and only as it stands now.
      c.header('Cache-Control', 'no-store')
    })
    .use('/api/*', noteSecurity(arrival), soundHead, onlyOwnPages)
    .use('/api/*', (c, next) => (OPEN.test(c.req.path) ? next() : person(c, next)))
    .use('/api/*', (c, next) => longest(c.req.path)(c, next))
    .use('/api/*', soundBody)
    .route('/api', open)
    .route('/api', signed)
    .all('/api/*', (c) => replyRefusal(c, noRoute(c.req.path)))
    .onError((cause, c) => {
      if (cause instanceof HTTPException && cause.status === 400) return replyRefusal(c, notJson())
      if (cause instanceof NotInTime) return replyRefusal(c, busy())
      const passing = passingFailure(cause)
      if (passing !== undefined)
        return replyRefusal(c, passing === 'busy' ? busy() : databaseAway())
      onUnexpected(cause, c.var.requestId)
      return replyRefusal(c, unexpected(c.var.requestId))
    })
}

export type Api = ReturnType<typeof createApi>
