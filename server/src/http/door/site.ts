import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { secureHeaders } from 'hono/secure-headers'
import { onlyFor, type ApiOfHost, type ForShop } from './hosts'
import { packed } from './packed'
import { databaseAway } from '../refusals'
import { replyRefusal } from '../reply'
import { transientFailure } from '../../store/failures'

const DAY = 86_400

/** The API of each shop together with the exported client; any other path opens the client, which routes it. */
export function createSite(apiOf: ApiOfHost, clientFolder: string) {
  return new Hono<ForShop>()
    .use(onlyFor(apiOf))
    .use(
      secureHeaders({
        contentSecurityPolicy: {
          defaultSrc: ["'self'"],
          // What reads labels is compiled for it: WebAssembly, and nothing else that is made at run time.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          // React Native's web layer writes its style sheets at run time.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          workerSrc: ["'self'", 'blob:'],
          // No form goes elsewhere, and no page is taken for one of another address.
          formAction: ["'self'"],
          baseUri: ["'none'"],
          objectSrc: ["'none'"],
          // Nobody lays another page over the numbers.
          frameAncestors: ["'none'"],
        },
      }),
    )
    .use('/api/*', packed)
    .all('/api/*', (c) => c.var.api.fetch(c.req.raw, c.env))
    .use(
      serveStatic({
        root: clientFolder,
        // Made when the client was built: scripts/build-client.mjs.
        precompressed: true,
        // Exported file names carry a hash of their content; the page itself must be asked for again.
        onFound: (path, c) =>
          c.header(
            'Cache-Control',
            /\/_expo\/|\.woff2$/.test(path) ? `public, max-age=${30 * DAY}, immutable` : 'no-cache',
          ),
      }),
    )
    .get('*', async (c) => c.html(await readFile(join(clientFolder, 'index.html'), 'utf8')))
    .onError((cause, c) => {
      // Whose a host is, is known to the database alone.
      if (transientFailure(cause) !== undefined) return replyRefusal(c, databaseAway())
      throw cause
    })
}
