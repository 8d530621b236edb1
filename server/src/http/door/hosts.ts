import { hostname, networkInterfaces } from 'node:os'
import { createMiddleware } from 'hono/factory'
import { refuse } from '../../refusal'
import type { Api } from '../api'
import { replyRefusal } from '../reply'

/** A request that is known to be for a shop of this server. */
export interface ForShop {
  Variables: { api: Api }
}

/** Names and addresses of this machine, and those that were given beside. */
export const hostsOf = (given: readonly string[]): ReadonlySet<string> =>
  new Set(
    [
      'localhost',
      hostname(),
      `${hostname()}.local`,
      ...Object.values(networkInterfaces()).flatMap((ones) => ones?.map(({ address }) => address)),
      ...given,
    ].flatMap((name) => name?.toLowerCase() ?? []),
  )

/** By which API a host is answered; undefined where it is none of ours. */
export type ApiOfHost = (host: string) => Promise<Api | undefined>

/**
 * Answers only who asks for this server, or for a shop of it, by a name that is its own: a page of elsewhere whose name is turned
 * to this address would otherwise ask as if it were ours.
 */
export const onlyFor = (apiOf: ApiOfHost) =>
  createMiddleware<ForShop>(async (context, next) => {
    const host = new URL(context.req.url).hostname.replace(/^\[|\]$/g, '').toLowerCase()
    const api = await apiOf(host)
    if (api !== undefined) {
      context.set('api', api)
      return next()
    }
    return replyRefusal(
      context,
      refuse('wrong-host', {
        message: 'This server is not asked by that name.',
        expected: 'a name or address of this machine, or one of PINE_HOSTS',
        received: host,
        remedy: 'Open it by the address that “npm start” prints, or add the name to PINE_HOSTS.',
      }).refusal,
    )
  })
