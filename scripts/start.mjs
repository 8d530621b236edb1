#!/usr/bin/env node
// npm start: installs what is missing, starts the database, builds, serves the demo, prints the address.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  checkNode,
  checkRoom,
  ensureDebianPackages,
  ensureNodeModules,
  POSTGRESQL,
} from './lib/packages.mjs'
import { STATE } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

const USUAL_PORT = 4310
const RUN_FILE = join(`${STATE}-run`, 'running.json')

await runScript(async () => {
  const unknown = process.argv.slice(2).find((arg) => arg !== '--fresh')
  if (unknown !== undefined)
    throw new Trouble(`“${unknown}” is not known: expected npm start, or npm start -- --fresh`)
  const fresh = process.argv.includes('--fresh')
  refuseSecondStart()
  checkNode()
  checkRoom()
  await ensureNodeModules()
  const { startDatabase } = await import('./lib/database.mjs')
  const { buildClient } = await import('./build-client.mjs')
  const { startServer } = await import('./lib/serve.mjs')
  const port = await choosePort()
  await buildClient()

  const database = await openDatabase(startDatabase, fresh)
  let server
  const stop = async () => {
    rmSync(RUN_FILE, { force: true })
    await server?.stop()
    await database.stop()
  }
  // From here on Ctrl-C stops what was started, in order: the server first, then its database.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      say('\nStopping …')
      void stop().then(() => process.exit(0))
    })
  try {
    server = await startServer({ databaseUrl: database.url, port, demo: true })
  } catch (cause) {
    await stop()
    throw cause
  }
  mkdirSync(join(RUN_FILE, '..'), { recursive: true })
  writeFileSync(RUN_FILE, JSON.stringify({ pid: process.pid, address: server.address }))
  say(
    `\n  Pine Compass is ready:  ${server.address}\n  Demo workshop: pick a name, PIN 2468. Ctrl-C stops; “npm start -- --fresh” begins again.\n`,
  )
  const code = await server.ended
  await stop()
  process.exit(code)
})

/** Two starts would fight over one database: the second says where the first one is. */
function refuseSecondStart() {
  if (!existsSync(RUN_FILE)) return
  const { pid, address } = JSON.parse(readFileSync(RUN_FILE, 'utf8'))
  try {
    process.kill(pid, 0)
  } catch {
    // That process is gone: it was stopped without a chance to clean up.
    rmSync(RUN_FILE, { force: true })
    return
  }
  throw new Trouble(
    `Pine Compass already runs at ${address} (process ${pid}). Stop it with Ctrl-C there, or use it.`,
  )
}

async function choosePort() {
  const asked = process.env['PORT']
  const port = await freePort(asked === undefined ? USUAL_PORT : Number(asked))
  if (port !== undefined) return port
  if (asked !== undefined)
    throw new Trouble(`port ${asked} is in use by another program: set PORT to a free one.`)
  const other = await freePort()
  say(`Port ${USUAL_PORT} is in use by another program; taking ${other} instead.`)
  return other
}

/** The server of DATABASE_URL where it is set, else a private one that is kept between starts. */
async function openDatabase(startDatabase, fresh) {
  const url = process.env['DATABASE_URL']
  if (url) {
    if (fresh)
      throw new Trouble(
        '--fresh would empty the database of DATABASE_URL: empty it yourself, or unset DATABASE_URL.',
      )
    return { url, stop: async () => {} }
  }
  await ensureDebianPackages([POSTGRESQL])
  const cluster = await startDatabase(`${STATE}-data`, { fresh })
  await cluster.createDatabase('pine')
  return { url: cluster.url('pine'), stop: cluster.stop }
}
