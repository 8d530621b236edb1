import { getCookie, setCookie, deleteCookie } from 'hono/cookie'
import { createMiddleware } from 'hono/factory'
import type { Context } from 'hono'
import { TOKEN_PREFIX, type Member } from '@pine/contract'
import type { Clock } from '../../clock'
import { refuse } from '../../refusal'
import type { PeopleStore } from '../../store/people-store'
import type { Connection } from './connection'
import { hashToken, type SignInSource, type OpenedSession } from '../../use-cases/people/sign-in'
import { replyRefusal } from '../reply'

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
          received: 'no session or token, or one that has ended',
          remedy:
            'Pick your name and type your PIN. What you typed is kept. A program gets another token of a lead.',
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
  const token = bearerOf(context) ?? tokenOf(context)
  return token === undefined ? undefined : store.memberOfSession(hashToken(token), clock())
}

const BEARER = new RegExp(`^Bearer (${TOKEN_PREFIX}\\S+)$`)

/** The token of a program, which sends it with every request (RFC 6750 2.1) and has no cookie. */
const bearerOf = (context: Context): string | undefined =>
  BEARER.exec(context.req.header('Authorization') ?? '')?.[1]

/**
 * Under TLS the cookies are this host's alone (the prefix __Host-, RFC 6265bis 4.1.3.2): one that another port or a page
 * without TLS has put there is not looked at.
 */
const cookieOf = (context: Context, name: string): string | undefined =>
  isSecure(context) ? getCookie(context, name, 'host') : getCookie(context, name)

const isSecure = (context: Context): boolean => context.get('isSecure') === true

/** What a session is known by, where the request carries one. */
export const tokenOf = (context: Context): string | undefined => cookieOf(context, COOKIE)

/** Keeps for whatever reads cookies whether nobody could read along. */
export const noteSecurity = (connection: Connection) =>
  createMiddleware(async (context, next) => {
    context.set('isSecure', connection.isSecure(context))
    return next()
  })

/** Where a request comes from. */
export const signInSourceOf = (context: Context, address: string): SignInSource => ({
  address,
  device: cookieOf(context, DEVICE),
})

/** The page cannot read the cookies, and no other site can send them. */
export function keepSession(context: Context, { token, expiresAt, device }: OpenedSession): void {
  const own = { httpOnly: true, sameSite: 'Strict', path: '/' } as const
  const options = isSecure(context)
    ? ({ ...own, secure: true, prefix: 'host' } as const)
    : ({ ...own, secure: false } as const)
  setCookie(context, COOKIE, token, { ...options, expires: expiresAt })
  setCookie(context, DEVICE, device, { ...options, maxAge: DEVICE_DAYS * 86_400 })
}

export async function endSession(context: Context, store: PeopleStore): Promise<void> {
  const token = tokenOf(context)
  if (token !== undefined) await store.closeSession(hashToken(token))
  forgetSession(context)
}

export const forgetSession = (context: Context): void => {
  deleteCookie(context, isSecure(context) ? `__Host-${COOKIE}` : COOKIE, {
    path: '/',
    secure: isSecure(context),
  })
}
