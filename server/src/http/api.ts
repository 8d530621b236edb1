import { Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { HTTPException } from 'hono/http-exception'
import { requestId } from 'hono/request-id'
import { z } from 'zod'
import {
  LONGEST_PROGRAM,
  newFactSchema,
  newMachineSchema,
  newPersonSchema,
  newSetupSchema,
  newShopGaugeSchema,
  signInSchema,
} from '@pine/contract'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { addPerson, signIn } from '../use-cases/people'
import { addGauge, addMachine, gaugesOf, machinesOf } from '../use-cases/shop'
import { keepProgramText, programText } from '../use-cases/programs'
import { setupsOf } from '../use-cases/setups'
import { body, query } from './body'
import { passingFailure } from '../store/failures'
import { NotInTime } from '../use-cases/in-turn'
import { busy, databaseAway, noRoute, notJson, tooLarge, unexpected } from './refusals'
import { soundJson } from './sound-json'
import { replyRefusal } from './reply'
import { endSession, keepSession, personOf, requirePerson, type Signed } from './session'

/** What is said beside a fact that is sent. */
const besideFactSchema = z.object({
  /** How many facts of the set-up the sender has. */
  known: z.coerce.number().int().min(0).optional(),
  /** Who entered it: another person than the one who is signed in by now sends it not. */
  by: z.uuid().optional(),
  /** When it was entered, by the clock of the device. */
  at: z.iso.datetime({ offset: true }).optional(),
})

/** Longest request: a whole set-up with thousands of readings fits into a tenth of it. */
const LONGEST_BODY = 1024 * 1024

export interface ApiParts {
  readonly store: Store
  readonly clock: Clock
  /** Told about a failure that nobody expected; the person is told only that it was noted. */
  readonly onUnexpected: (cause: unknown, requestId: string) => void
}

/** The API. It translates in, calls a use case, and translates out. */
export function createApi({ store, clock, onUnexpected }: ApiParts) {
  const setups = setupsOf(store, clock)
  const open = new Hono()
    .get('/health', async (c) => {
      await store.ping()
      return c.json({ ok: true as const })
    })
    .get('/people', async (c) => c.json(await store.people()))
    .post('/people', body(newPersonSchema), async (c) => {
      const added = await addPerson(store, clock, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
    .get('/session', async (c) => c.json({ person: (await personOf(c, store, clock)) ?? null }))
    .post('/session', body(signInSchema), async (c) => {
      const opened = await signIn(store, clock, c.req.valid('json'))
      if (!opened.ok) return replyRefusal(c, opened.refusal)
      keepSession(c, opened.value)
      return c.json({ person: opened.value.person }, 201)
    })
    .delete('/session', async (c) => {
      await endSession(c, store)
      return c.json({ person: null })
    })

  const signed = new Hono<Signed>()
    .use(requirePerson(store, clock))
    .get('/machines', async (c) => c.json(await machinesOf(store)))
    .post('/machines', body(newMachineSchema), async (c) => {
      const added = await addMachine(store, clock, c.var.person, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
    })
    .get('/gauges', async (c) => c.json(await gaugesOf(store)))
    .post('/gauges', body(newShopGaugeSchema), async (c) => {
      const added = await addGauge(store, clock, c.var.person, c.req.valid('json'))
      return added.ok ? c.json(added.value, 201) : replyRefusal(c, added.refusal)
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
    .get('/shop', async (c) => c.json(await store.shop()))
    .get('/setups', async (c) => c.json(await setups.list()))
    .post('/setups', body(newSetupSchema), async (c) => {
      const made = await setups.create(c.var.person, c.req.valid('json'))
      return made.ok ? c.json(made.value, 201) : replyRefusal(c, made.refusal)
    })
    .get('/setups/:id', async (c) => {
      const opened = await setups.open(c.req.param('id'))
      return opened.ok ? c.json(opened.value) : replyRefusal(c, opened.refusal)
    })
    .get('/setups/:id/solution', async (c) => {
      const solved = await setups.solution(c.req.param('id'))
      return solved.ok ? c.json(solved.value) : replyRefusal(c, solved.refusal)
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
  const [forFacts, forPrograms] = [limit(LONGEST_BODY), limit(LONGEST_PROGRAM)]

  return new Hono()
    .use(requestId())
    .use((c, next) => (c.req.path.startsWith('/api/programs/') ? forPrograms : forFacts)(c, next))
    .use('/api/*', async (c, next) => {
      await next()
      // What stands in a set-up is for whoever asked, and only as it stands now.
      c.header('Cache-Control', 'no-store')
    })
    .use('/api/*', soundJson)
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
