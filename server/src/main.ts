import { readFileSync } from 'node:fs'
import { createServer } from 'node:https'
import { serve } from '@hono/node-server'
import type { Logger } from 'pino'
import { readConfig } from './config'
import { loadDemo } from './demo/load-demo'
import { createApi } from './http/api'
import { arrivalOf } from './http/arrival'
import { hostsOf } from './http/hosts'
import { createSite } from './http/site'
import { openLog } from './log'
import { listen, openDatabase } from './store/data-source'
import { firstShop, typeormStore } from './store/typeorm-store'
import { fillSummaries, rebuildAll } from './use-cases/summaries'

/** From SIGTERM to the end, at most. */
const LONGEST_STOP_MS = 8_000

let log: Logger | undefined

async function main(): Promise<void> {
  const config = readConfig(process.env)
  const failures = openLog(config.logFolder)
  log = failures
  const database = await openDatabase(config.databaseUrl, config.ownerUrl)
  const store = typeormStore(database, await firstShop(database))
  const clock = () => new Date()
  await fillSummaries(store, clock)
  if (config.rebuild)
    process.stdout.write(`rebuilt from facts: ${await rebuildAll(store, clock)} set-ups\n`)
  if (config.demo) await loadDemo(store, clock)
  const changes = listen(config.databaseUrl)
  const api = createApi({
    store,
    changes,
    clock,
    arrival: arrivalOf(config.proxied),
    onUnexpected: (cause, requestId) =>
      failures.error({ err: cause, requestId }, 'unexpected failure'),
  })
  const server = serve(
    {
      fetch: createSite(api, config.clientFolder, hostsOf([config.host, ...config.hosts])).fetch,
      port: config.port,
      hostname: config.host,
      ...(config.tls && {
        createServer,
        serverOptions: {
          cert: readFileSync(config.tls.cert),
          key: readFileSync(config.tls.key),
        },
      }),
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

/** One line for the person; the stack for the log. */
function fail(cause: unknown): void {
  const message = cause instanceof Error ? cause.message : String(cause)
  process.stderr.write(`pine server: ${message}\n`)
  log?.error({ err: cause }, 'could not start')
  process.exit(1)
}

main().catch(fail)
