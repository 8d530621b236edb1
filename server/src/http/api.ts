// The inferred type of the API names these: what is built of it can be written down only where they are known.
import type {} from '@pine/core/touch'
import { Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { HTTPException } from 'hono/http-exception'
import { requestId } from 'hono/request-id'
import { z } from 'zod'
import {
  LONGEST_PROGRAM,
  foundSchema,
  healthSchema,
  searchQuerySchema,
  shopSchema,
} from '@pine/contract'
import { LONGEST_TABLE_FILE } from '@pine/formats/table-file'
import { agentsOf, type Agents } from '../agents/ask-agent'
import type { Clock } from '../clock'
import { SESSIONS_CHANGED, type Changes } from '../store/changes'
import type { Store } from '../store/store'
import type { SetupWork } from '../work/setup-work'
import { searchEverything } from '../use-cases/setups/search'
import type { SetupCache } from '../use-cases/facts/set-up-streams'
import { setupsOf } from '../use-cases/setups/setups'
import { streamsOf } from '../use-cases/facts/stream-facts'
import { connectionOf, type Connection } from './door/connection'
import { query } from './body'
import { gaugeRoutes } from './routes/gauge-routes'
import { liveRoutes } from './live'
import { openPeopleRoutes, peopleRoutes, type Door } from './routes/people-routes'
import { transientFailure } from '../store/failures'
import { QueueTimeout } from '../use-cases/facts/keyed-queue'
import { busy, databaseAway, noRoute, notJson, tooLarge, unexpected } from './refusals'
import { soundBody, soundHead } from './door/gate'
import { onlyOwnPages } from './door/own-pages'
import { agentRoutes } from './routes/agent-routes'
import { archiveRoutes } from './routes/archive-routes'
import { describes } from './routes/describes'
import { exportRoutes } from './routes/export-routes'
import { importRoutes } from './routes/import-routes'
import { logRoutes } from './routes/log-routes'
import { programRoutes } from './routes/program-routes'
import { replyRefusal } from './reply'
import { earlierRoutes } from './routes/earlier-routes'
import { describeApi } from './routes/openapi'
import { noteSecurity, requirePerson, type Signed } from './door/session'
import { machineRoutes } from './routes/machine-routes'
import { setupFileRoutes } from './routes/setup-file-routes'
import { setupRoutes } from './routes/setup-routes'
import { streamRoutes } from './routes/stream-routes'
import { toolRoutes } from './routes/tool-routes'

/** Longest request of somebody whom nobody has let in yet: a name, a PIN, a code. */
const LONGEST_OPEN_BODY = 2 * 1024
/** Longest request: a whole set-up with thousands of readings fits into a tenth of it. */
const LONGEST_BODY = 1024 * 1024

/** Paths that answer anybody. */
const OPEN = /^\/api\/(people|session|health|openapi\.json)\/?$/
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
  readonly cache?: SetupCache
  /** Machines that may be asked; none, where it is not said. */
  readonly agents?: Agents
  /** How requests come here; straight, where it is not said. */
  readonly connection?: Connection
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
  cache,
  agents = agentsOf(new Set(), clock),
  connection = connectionOf(false),
  door = ON_LOOPBACK,
}: ApiParts) {
  const setups = setupsOf(store, clock, { ...(work && { work }), ...(cache && { cache }) })
  const streams = streamsOf({ store, clock, setups })
  const open = new Hono()
    .get(
      '/health',
      describes('Whether the server and its database answer', healthSchema),
      async (c) => {
        await store.ping()
        return c.json({ ok: true as const })
      },
    )
    .get('/openapi.json', describes('This description', z.object({})), async (c) =>
      c.json(await description()),
    )
    .route('/', openPeopleRoutes(store, clock, connection, door))

  // Another process has ended sessions: who is signed in is asked anew here as well.
  changes.subscribe((notice) => notice === SESSIONS_CHANGED && store.sessionsChanged())

  const signed = new Hono<Signed>()
    .route('/', peopleRoutes(store, clock))
    .route('/', liveRoutes(store, clock, changes))
    .route('/', gaugeRoutes(store, clock, setups))
    .route('/', toolRoutes(store, clock))
    .route('/', machineRoutes(store))
    .route('/', agentRoutes(store, agents))
    .route('/', programRoutes(store, clock))
    .route('/', setupRoutes(setups))
    .route('/', archiveRoutes(store, clock))
    .route('/', setupFileRoutes(store, clock))
    .route('/', importRoutes(store, clock))
    .route('/', logRoutes(store))
    .route('/', exportRoutes(store, clock, setups, connection))
    .route('/', streamRoutes(streams))
    .route('/', earlierRoutes(streams, setups, store))
    .get(
      '/search',
      describes('Set-ups, tools, gauges and people by words', foundSchema),
      query(searchQuerySchema),
      async (c) => c.json(await searchEverything(store, c.req.valid('query').find)),
    )
    .get('/shop', describes('The shop that answers here', shopSchema), async (c) =>
      c.json(await store.shop()),
    )

  let described: Promise<object> | undefined
  const description = (): Promise<object> =>
    (described ??= describeApi(new Hono<Signed>().route('/api', open).route('/api', signed)))

  const limit = (maxSize: number) =>
    bodyLimit({ maxSize, onError: (c) => replyRefusal(c, tooLarge(maxSize)) })
  const forAnybody = limit(LONGEST_OPEN_BODY)
  const [forFacts, forPrograms] = [limit(LONGEST_BODY), limit(LONGEST_PROGRAM)]
  const forLists = limit(LONGEST_TABLE_FILE)
  const longest = (path: string) =>
    path.startsWith('/api/programs/')
      ? forPrograms
      : path.startsWith('/api/imports/')
        ? forLists
        : OPEN.test(path)
          ? forAnybody
          : forFacts

  const person = requirePerson(store, clock)
  // One gate for every request: what names it, whose page sent it, who sends it, and only then what it says.
  return new Hono<Signed>()
    .use(requestId())
    .use('/api/*', async (c, next) => {
      await next()
      // What stands in a set-up is for whoever asked, and only as it stands now.
      c.header('Cache-Control', 'no-store')
    })
    .use('/api/*', noteSecurity(connection), soundHead, onlyOwnPages)
    .use('/api/*', (c, next) => (OPEN.test(c.req.path) ? next() : person(c, next)))
    .use('/api/*', (c, next) => longest(c.req.path)(c, next))
    .use('/api/*', soundBody)
    .route('/api', open)
    .route('/api', signed)
    .all('/api/*', (c) => replyRefusal(c, noRoute(c.req.path)))
    .onError((cause, c) => {
      if (cause instanceof HTTPException && cause.status === 400) return replyRefusal(c, notJson())
      if (cause instanceof QueueTimeout) return replyRefusal(c, busy())
      const passing = transientFailure(cause)
      if (passing !== undefined)
        return replyRefusal(c, passing === 'busy' ? busy() : databaseAway())
      onUnexpected(cause, c.var.requestId)
      return replyRefusal(c, unexpected(c.var.requestId))
    })
}

export type Api = ReturnType<typeof createApi>
