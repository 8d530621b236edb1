import { readFileSync } from 'node:fs'
import { createServer } from 'node:https'
import { extname } from 'node:path'
import { fileURLToPath } from 'node:url'
import { serve } from '@hono/node-server'
import type { Logger } from 'pino'
import { agentsOf } from './agents/ask-agent'
import { readConfig } from './config'
import { loadDemo, withPublishedPin } from './demo/load-demo'
import { createApi } from './http/api'
import { connectionOf } from './http/door/connection'
import { hostsOf } from './http/door/hosts'
import { PATIENCE } from './http/door/patience'
import { apiOfHosts } from './http/door/shops'
import { createSite } from './http/door/site'
import { openLog } from './log'
import { listen, openDatabase } from './store/data-source'
import { typeormStore } from './store/typeorm-store'
import { firstCode } from './use-cases/people/people'
import { SetupCache } from './use-cases/facts/set-up-streams'
import { fillSummaries, rebuildAll } from './use-cases/setups/summaries'
import { setupThreads } from './work/setup-threads'

/** From SIGTERM to the end, at most. */
const LONGEST_STOP_MS = 8_000

/** As this program itself was loaded: from its sources, or built. */
const ENDING = extname(fileURLToPath(import.meta.url))

let log: Logger | undefined

async function main(): Promise<void> {
  const config = readConfig(process.env)
  const failures = openLog(config.logFolder)
  log = failures
  const database = await openDatabase(config.databaseUrl, config.ownerUrl)
  const first = await database.firstShop()
  const store = typeormStore(await database.ofShop(first), first)
  const clock = () => new Date()
  await fillSummaries(store, clock)
  if (config.rebuild)
    for (const shop of await database.shops()) {
      const count = await rebuildAll(typeormStore(await database.ofShop(shop), shop), clock)
      process.stdout.write(`rebuilt from facts: ${count} set-ups\n`)
    }
  if (config.demo) await loadDemo(store, clock, { asked: config.onNetwork })
  const published = config.onNetwork ? await withPublishedPin(store) : []
  if (published.length > 0 && !config.demo) throw new Error(demoRefused(published))
  // Somebody's own from its first start on a network: no later one fills it with invented people.
  if (config.onNetwork && (await store.isDemo()) === undefined) await store.declareDemo(false)
  const code = config.onNetwork ? await firstCode(store, clock) : undefined
  if (code !== undefined) process.stdout.write(`first code ${code}\n`)
  if (published.length > 0) process.stdout.write('demo on the network\n')
  const changes = listen(config.databaseUrl)
  const threads = setupThreads(new URL(`./work/setup-thread${ENDING}`, import.meta.url).href)
  const cache = new SetupCache()
  const agents = agentsOf(config.agents, clock)
  const own = hostsOf([config.host, ...config.hosts])
  const apiOf = apiOfHosts(database, { own, first }, (ofShop) =>
    createApi({
      store: ofShop,
      work: threads.work,
      cache,
      changes,
      clock,
      agents,
      connection: connectionOf(config.proxied),
      door: {
        // A shop that was added is open to whoever asks by its host.
        firstNeedsCode: config.onNetwork || ofShop.shopId !== first,
        demoOnNetwork: published.length > 0 && ofShop.shopId === first,
      },
      onUnexpected: (cause, requestId) =>
        failures.error({ err: cause, requestId }, 'unexpected failure'),
    }),
  )
  const server = serve(
    {
      fetch: createSite(apiOf, config.clientFolder).fetch,
      port: config.port,
      hostname: config.host,
      serverOptions: {
        ...PATIENCE,
        ...(config.tls && {
          cert: readFileSync(config.tls.cert),
          key: readFileSync(config.tls.key),
        }),
      },
      ...(config.tls && { createServer }),
    },
    ({ port }) => {
      // The scripts wait for this line and read the address from it.
      process.stdout.write(`listening ${config.tls ? 'https' : 'http'}://${config.host}:${port}\n`)
    },
  )
  server.on('error', fail)
  const stop = () => {
    void changes.close()
    server.close(() => void database.destroy().then(() => process.exit(0)))
    // Whoever is answered just now is; who only keeps a line open, or takes longer than that, is not waited for.
    if ('closeIdleConnections' in server) server.closeIdleConnections()
    setTimeout(() => process.exit(0), LONGEST_STOP_MS).unref()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
}

/** Who can be signed in as by whoever has read the README. */
const demoRefused = (names: readonly string[]): string =>
  `${names.join(', ')} of the demonstration can be signed in as with the PIN that its README publishes, and PINE_HOST or PINE_PROXY opens this to the network. Begin with an empty product (npm start -- --fresh keeps this one aside), or say that it is the demonstration that you mean (npm start -- --demo).`

/** One line for the person; the stack for the log. */
function fail(cause: unknown): void {
  const message = cause instanceof Error ? cause.message : String(cause)
  process.stderr.write(`pine server: ${message}\n`)
  log?.error({ err: cause }, 'could not start')
  process.exit(1)
}

main().catch(fail)
