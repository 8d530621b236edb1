import { getCookie, setCookie, deleteCookie } from 'hono/cookie'
import { createMiddleware } from 'hono/factory'
import type { Context } from 'hono'
import type { Member } from '@pine/contract'
import type { Clock } from '../clock'
import { refuse } from '../refusal'
import type { PeopleStore } from '../store/people-store'
import { hashToken, type Asker, type OpenedSession } from '../use-cases/sign-in'
import { replyRefusal } from './reply'

const COOKIE = 'pine_session'
/** Tells a device on which a person has signed in before from a stranger's. */
const DEVICE = 'pine_device'
const DEVICE_DAYS = 365

export interface Signed {
  Variables: { person: Member }
}

/** Lets only a signed-in person through, and says who it is: every fact carries that person. */
export const requirePerson = (store: PeopleStore, clock: Clock) =>
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
  store: PeopleStore,
  clock: Clock,
): Promise<Member | undefined> {
  const token = getCookie(context, COOKIE)
  return token === undefined ? undefined : store.memberOfSession(hashToken(token), clock())
}

/** Where a request comes from. */
export const askerOf = (context: Context, address: string): Asker => ({
  address,
  device: getCookie(context, DEVICE),
})

/** The page cannot read the cookies, and no other site can send them. */
export function keepSession(
  context: Context,
  { token, expiresAt, device }: OpenedSession,
  isSecure: boolean,
): void {
  const options = { httpOnly: true, sameSite: 'Strict', secure: isSecure, path: '/' } as const
  setCookie(context, COOKIE, token, { ...options, expires: expiresAt })
  setCookie(context, DEVICE, device, { ...options, maxAge: DEVICE_DAYS * 86_400 })
}

export async function endSession(context: Context, store: PeopleStore): Promise<void> {
  const token = getCookie(context, COOKIE)
  if (token !== undefined) await store.closeSession(hashToken(token))
  deleteCookie(context, COOKIE, { path: '/' })
}
