import { serve } from '@hono/node-server'
import { pino } from 'pino'
import { readConfig } from './config'
import { loadDemo } from './demo/load-demo'
import { createApi } from './http/api'
import { createSite } from './http/site'
import { openDatabase } from './store/data-source'
import { firstShop, typeormStore } from './store/typeorm-store'
import { fillSummaries } from './use-cases/summaries'

/** From SIGTERM to the end, at most. */
const LONGEST_STOP_MS = 8_000

const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' })

async function main(): Promise<void> {
  const config = readConfig(process.env)
  const database = await openDatabase(config.databaseUrl)
  const store = typeormStore(database, await firstShop(database))
  const clock = () => new Date()
  await fillSummaries(store, clock)
  if (config.demo) await loadDemo(store, clock)
  const api = createApi({
    store,
    clock,
    onUnexpected: (cause, requestId) => log.error({ err: cause, requestId }, 'unexpected failure'),
  })
  const server = serve(
    { fetch: createSite(api, config.clientFolder).fetch, port: config.port, hostname: config.host },
    ({ port }) => {
      // The scripts wait for this line and read the address from it.
      process.stdout.write(`listening http://${config.host}:${port}\n`)
    },
  )
  server.on('error', fail)
  const stop = () => {
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
  log.debug({ err: cause }, 'could not start')
  process.exit(1)
}

main().catch(fail)
