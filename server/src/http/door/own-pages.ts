import { createMiddleware } from 'hono/factory'
import { refuse } from '../../refusal'
import { replyRefusal } from '../reply'

const READS: readonly string[] = ['GET', 'HEAD', 'OPTIONS']

/**
 * Lets only our own pages write with a person's cookie. SameSite lets a page of another port of the same host through: the
 * browser tells where a request comes from (Sec-Fetch-Site, Origin), and no page can say otherwise. What is no browser
 * tells neither, and carries nobody's cookie by itself.
 */
export const onlyOwnPages = createMiddleware(async (context, next) => {
  if (READS.includes(context.req.method)) return next()
  const site = context.req.header('Sec-Fetch-Site')
  const origin = context.req.header('Origin')
  const isForeign =
    (site !== undefined && site !== 'same-origin' && site !== 'none') ||
    (origin !== undefined && !isOwn(origin, context.req.raw, context.get('isSecure') === true))
  if (!isForeign) return next()
  return replyRefusal(
    context,
    refuse('wrong-origin', {
      message: 'A page of another address tried to write here.',
      expected: 'a request of this server’s own pages',
      received: origin ?? site ?? 'another site',
      remedy: 'Open this product’s own address and enter it there.',
    }).refusal,
  )
})

/** Whether a page's address is the one that is asked: scheme, host and port. A proxy passes the host on, and says the scheme. */
function isOwn(origin: string, { headers, url }: Request, isSecure: boolean): boolean {
  const host = headers.get('Host') ?? new URL(url).host
  return origin.toLowerCase() === `${isSecure ? 'https' : 'http'}://${host}`.toLowerCase()
}
