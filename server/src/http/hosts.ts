import { hostname, networkInterfaces } from 'node:os'
import { createMiddleware } from 'hono/factory'
import { refuse } from '../refusal'
import { replyRefusal } from './reply'

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

/**
 * Answers only who asks for this server by a name that is its own: a page of elsewhere whose name is turned to this
 * address would otherwise ask as if it were ours.
 */
export const onlyFor = (hosts: ReadonlySet<string>) =>
  createMiddleware(async (context, next) => {
    const asked = new URL(context.req.url).hostname.replace(/^\[|\]$/g, '').toLowerCase()
    if (hosts.has(asked)) return next()
    return replyRefusal(
      context,
      refuse('wrong-host', {
        message: 'This server is not asked by that name.',
        expected: 'a name or address of this machine, or one of PINE_HOSTS',
        received: asked,
        remedy: 'Open it by the address that “npm start” prints, or add the name to PINE_HOSTS.',
      }).refusal,
    )
  })
