import { getConnInfo } from '@hono/node-server/conninfo'
import type { Context } from 'hono'

/** How a request came here: asked by what slows guesses down, and by cookies. */
export interface Connection {
  /** The network's address of who asks. */
  address(context: Context): string
  /** Whether nobody could read along: straight by TLS, or by TLS to a proxy that is trusted. */
  isSecure(context: Context): boolean
}

/**
 * @param proxied whether a proxy stands before this server that says for whom it asks (X-Forwarded-For, -Proto). Without
 *   one, anybody could say anything there, and it is not looked at.
 */
export function connectionOf(proxied: boolean): Connection {
  const last = (context: Context, name: string): string | undefined =>
    proxied ? context.req.header(name)?.split(',').at(-1)?.trim() : undefined
  return {
    address: (context) => last(context, 'x-forwarded-for') ?? connectedTo(context),
    isSecure: (context) =>
      last(context, 'x-forwarded-proto') === 'https' ||
      new URL(context.req.url).protocol === 'https:',
  }
}

/** A request of a test comes over no network. */
function connectedTo(context: Context): string {
  try {
    return getConnInfo(context).remote.address ?? 'unknown'
  } catch {
    return 'unknown'
  }
}
