import { Hono } from 'hono'
import { z } from 'zod'
import {
  doneSchema,
  memberHistorySchema,
  newJoinCodeSchema,
  newPersonSchema,
  newPinSchema,
  newRoleSchema,
  newTokenSchema,
  personSchema,
  sessionAnswerSchema,
  shownJoinCodeSchema,
  shownTokenSchema,
  signInSchema,
  type Member,
  type SessionAnswer,
} from '@pine/contract'
import type { Clock } from '../../clock'
import type { PeopleStore } from '../../store/people-store'
import {
  addPerson,
  changePerson,
  makeJoinCode,
  membersOf,
  type PlaceChange,
} from '../../use-cases/people/people'
import { makeToken } from '../../use-cases/people/tokens'
import { signIn } from '../../use-cases/people/sign-in'
import type { Connection } from '../door/connection'
import { body } from '../body'
import { describes } from './describes'
import { reply, replyRefusal } from '../reply'
import {
  signInSourceOf,
  endSession,
  forgetSession,
  keepSession,
  personOf,
  type Signed,
} from '../door/session'

/** How the product stands to whoever comes from outside. */
export interface Door {
  /** The first person of an empty product joins by the code that the server printed. */
  readonly firstNeedsCode: boolean
  /** People whose PIN is published are here, and the network reaches them. */
  readonly demoOnNetwork: boolean
}

/** What can be asked before anybody is signed in: the names, and to be let in. */
export const openPeopleRoutes = (
  store: PeopleStore,
  clock: Clock,
  connection: Connection,
  door: Door,
) => {
  const answer = async (person: Member | undefined): Promise<SessionAnswer> => ({
    person: person ?? null,
    ...(door.firstNeedsCode && (await store.members()).length === 0 && { firstNeedsCode: true }),
    ...(door.demoOnNetwork && { demoOnNetwork: true }),
  })
  return new Hono()
    .get('/people', describes('Names that can sign in', z.array(personSchema)), async (c) =>
      c.json(await store.people()),
    )
    .post(
      '/people',
      describes('Join: the first person of a shop, or by a lead’s code', personSchema, 201),
      body(newPersonSchema),
      async (c) => {
        const asker = signInSourceOf(c, connection.address(c))
        return reply(
          c,
          await addPerson(store, clock, c.req.valid('json'), asker, door.firstNeedsCode),
          201,
        )
      },
    )
    .get('/session', describes('Who is signed in', sessionAnswerSchema), async (c) =>
      c.json(await answer(await personOf(c, store, clock))),
    )
    .post(
      '/session',
      describes('Sign in', sessionAnswerSchema, 201),
      body(signInSchema),
      async (c) => {
        const asker = signInSourceOf(c, connection.address(c))
        const opened = await signIn(store, clock, c.req.valid('json'), asker)
        if (!opened.ok) return replyRefusal(c, opened.refusal)
        keepSession(c, opened.value)
        return c.json(await answer(opened.value.person), 201)
      },
    )
    .delete('/session', describes('Sign out here', sessionAnswerSchema), async (c) => {
      await endSession(c, store)
      return c.json(await answer(undefined))
    })
}

/** What people who are signed in do about people. */
export const peopleRoutes = (store: PeopleStore, clock: Clock) => {
  // What is no id is nobody's.
  const change = (by: Signed['Variables']['person'], id: string, to: PlaceChange) =>
    changePerson(store, clock, by, z.uuid().safeParse(id).data ?? NOBODY, to)
  return new Hono<Signed>()
    .delete('/sessions', describes('Sign out on every device', sessionAnswerSchema), async (c) => {
      await store.closeSessionsOf(c.var.person.id)
      forgetSession(c)
      return c.json({ person: null })
    })
    .get(
      '/members',
      describes(
        'People of the shop with what happened to their place',
        z.array(memberHistorySchema),
      ),
      async (c) => reply(c, await membersOf(store, c.var.person)),
    )
    .post(
      '/join-codes',
      describes('Make a code that lets one person in', shownJoinCodeSchema, 201),
      body(newJoinCodeSchema),
      async (c) =>
        reply(c, await makeJoinCode(store, clock, c.var.person, c.req.valid('json').role), 201),
    )
    .post(
      '/tokens',
      describes('Make a token for a program that reads or writes here', shownTokenSchema, 201),
      body(newTokenSchema),
      async (c) => reply(c, await makeToken(store, clock, c.var.person, c.req.valid('json')), 201),
    )
    .put(
      '/members/:id/role',
      describes('Give a person another role', doneSchema),
      body(newRoleSchema),
      async (c) => {
        const to = { kind: 'role', role: c.req.valid('json').role } as const
        return reply(c, await change(c.var.person, c.req.param('id'), to))
      },
    )
    .put(
      '/members/:id/pin',
      describes('Give a person a new PIN', doneSchema),
      body(newPinSchema),
      async (c) => {
        const to = { kind: 'new-pin', pin: c.req.valid('json').pin } as const
        return reply(c, await change(c.var.person, c.req.param('id'), to))
      },
    )
    .delete(
      '/members/:id',
      describes('Put a person out, or end a program’s token', doneSchema),
      async (c) => reply(c, await change(c.var.person, c.req.param('id'), { kind: 'left' })),
    )
    .post('/members/:id/back', describes('Take a person back in', doneSchema), async (c) =>
      reply(c, await change(c.var.person, c.req.param('id'), { kind: 'back' })),
    )
}

/** An id that nobody has. */
const NOBODY = '00000000-0000-0000-0000-000000000000'
