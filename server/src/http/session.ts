import { getCookie, setCookie, deleteCookie } from 'hono/cookie'
import { createMiddleware } from 'hono/factory'
import type { Context } from 'hono'
import type { Person } from '@pine/contract'
import type { Clock } from '../clock'
import { refuse } from '../refusal'
import type { Store } from '../store/store'
import { hashToken, type OpenedSession } from '../use-cases/people'
import { replyRefusal } from './reply'

const COOKIE = 'pine_session'

export interface Signed {
  Variables: { person: Person }
}

/** Lets only a signed-in person through, and says who it is: every fact carries that person. */
export const requirePerson = (store: Store, clock: Clock) =>
  createMiddleware<Signed>(async (context, next) => {
    const person = await personOf(context, store, clock)
    if (person === undefined)
      return replyRefusal(
        context,
        refuse('not-signed-in', {
          message: 'Nobody is signed in here.',
          expected: 'a signed-in person',
          received: 'no session, or one that has ended',
          remedy: 'Pick your name and type your PIN. What you typed is kept.',
        }).refusal,
      )
    context.set('person', person)
    return next()
  })

export async function personOf(
  context: Context,
  store: Store,
  clock: Clock,
): Promise<Person | undefined> {
  const token = getCookie(context, COOKIE)
  return token === undefined ? undefined : store.personOfSession(hashToken(token), clock())
}

/** The page cannot read the cookie, and no other site can send it. */
export function keepSession(context: Context, session: OpenedSession): void {
  const secure = new URL(context.req.url).protocol === 'https:'
  setCookie(context, COOKIE, session.token, {
    httpOnly: true,
    sameSite: 'Strict',
    secure,
    path: '/',
    expires: session.expiresAt,
  })
}

export async function endSession(context: Context, store: Store): Promise<void> {
  const token = getCookie(context, COOKIE)
  if (token !== undefined) await store.closeSession(hashToken(token))
  deleteCookie(context, COOKIE, { path: '/' })
}
