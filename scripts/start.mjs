#!/usr/bin/env node
// npm start: installs what is missing, starts the database, builds, serves the demo, prints the address.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import {
  checkNode,
  checkRoom,
  ensureDebianPackages,
  ensureNodeModules,
  POSTGRESQL,
} from './lib/packages.mjs'
import { ROOT, RUN_FILE, STATE } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { runsScript } from './lib/processes.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'
import { supervise } from './lib/supervise.mjs'

const USUAL_PORT = 4310
const DATA = `${STATE}-data`

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
await runScript(async () => {
  const unknown = process.argv.slice(2).find((arg) => arg !== '--fresh')
  if (unknown !== undefined)
    throw new Trouble(`“${unknown}” is not known: expected npm start, or npm start -- --fresh`)
  const fresh = process.argv.includes('--fresh')
  refuseSecondStart()
  if (fresh) await confirmFresh()
  checkNode()
  checkRoom()
  await ensureNodeModules()
  const { startDatabase } = await import('./lib/database.mjs')
  const { buildClient } = await import('./build-client.mjs')
  const { endLeftServers, startServer } = await import('./lib/serve.mjs')
  // What a killed start left running holds the port and the database.
  await endLeftServers()
  const port = await choosePort()
  await buildClient()

  const database = await openDatabase(startDatabase, fresh)
  let server
  let isStopping = false
  let copies
  const stop = async () => {
    isStopping = true
    clearInterval(copies)
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
  // Invented people belong to the demonstration: in somebody's own database they are there only where it is asked.
  const demo = process.env['DATABASE_URL'] ? process.env['PINE_DEMO'] === '1' : true
  const serve = () =>
    startServer({ databaseUrl: database.serverUrl, ownerUrl: database.url, port, demo })
  try {
    server = await serve()
  } catch (cause) {
    await stop()
    throw cause
  }
  mkdirSync(join(RUN_FILE, '..'), { recursive: true })
  writeFileSync(
    RUN_FILE,
    JSON.stringify({ pid: process.pid, address: server.address, databaseUrl: database.url }),
    // The address of the database has its password in it.
    { mode: 0o600 },
  )
  say(
    `\n  Pine Compass is ready:  ${addressesOf(server.address).join('\n                          ')}\n  ${demo ? 'Demo workshop: pick a name, PIN 2468. ' : ''}Ctrl-C stops; “npm start -- --fresh” begins again.\n`,
  )
  copies = keepCopies(database.url)
  const isOver = () => isStopping
  try {
    await Promise.race([
      supervise('The server', server, async () => (server = await serve()), isOver),
      database.supervised(isOver),
    ])
  } catch (cause) {
    await stop()
    throw cause
  }
})

/** What to type into a browser: a server that listens everywhere is found by each of this machine's names. */
function addressesOf(address) {
  if (!address.includes('//0.0.0.0:')) return [address]
  const own = Object.values(networkInterfaces()).flatMap((ones) =>
    ones.filter(({ family, internal }) => family === 'IPv4' && !internal).map((one) => one.address),
  )
  return ['localhost', `${hostname()}.local`, ...own].map((name) =>
    address.replace('0.0.0.0', name),
  )
}

/** A copy a day of the private database, while it runs; that of DATABASE_URL is somebody else's to copy. */
function keepCopies(url) {
  if (process.env['DATABASE_URL']) return undefined
  const copyIfDue = async () => {
    const { backUp, BACKUPS, backupName, forgetOutlived, newestBackup } =
      await import('./lib/backups.mjs')
    if (Date.now() - (newestBackup()?.getTime() ?? 0) < DAY_MS) return
    await backUp(url, join(BACKUPS, backupName(new Date())))
    forgetOutlived()
  }
  const look = () =>
    void copyIfDue().catch(({ message }) => say(`Today’s copy could not be made: ${message}`))
  return setInterval(look, HOUR_MS)
}

/** Two starts would fight over one database: the second says where the first one is. */
function refuseSecondStart() {
  if (!existsSync(RUN_FILE)) return
  const { pid, address } = JSON.parse(readFileSync(RUN_FILE, 'utf8'))
  if (runsScript(pid, 'scripts/start.mjs', ROOT))
    throw new Trouble(
      `Pine Compass already runs at ${address} (process ${pid}). Stop it with Ctrl-C there, or use it.`,
    )
  // That one was stopped without a chance to clean up: its number may be another's by now.
  rmSync(RUN_FILE, { force: true })
}

/** A person is asked before the database is put aside; a script that says --fresh means it. */
async function confirmFresh() {
  if (!process.stdin.isTTY || !existsSync(join(DATA, 'data', 'PG_VERSION'))) return
  const line = createInterface({ input: process.stdin, output: process.stdout })
  const said = await line.question(
    'Begin with an empty database? What is there now is kept aside. Type yes: ',
  )
  line.close()
  if (said.trim().toLowerCase() !== 'yes') throw new Trouble('left as it is: nothing was started.')
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
    // Who looks after that database starts it again, and says whether its tables are brought up to date by somebody else.
    return {
      url: process.env['PINE_OWNER_URL'] || url,
      serverUrl: url,
      stop: async () => {},
      supervised: () => new Promise(() => {}),
    }
  }
  await ensureDebianPackages([POSTGRESQL])
  let cluster = await startDatabase(DATA, { fresh, keepOld: true })
  if (cluster.aside) say(`The database of before is kept in ${cluster.aside}.`)
  await cluster.createDatabase('pine')
  const { port } = cluster
  return {
    url: cluster.url('pine'),
    serverUrl: await cluster.serverUrl('pine'),
    stop: () => cluster.stop(),
    // At the same port: whoever was connected finds it there.
    supervised: (isOver) =>
      supervise(
        'The database',
        cluster,
        async () => (cluster = await startDatabase(DATA, { port })),
        isOver,
      ),
  }
}
