#!/usr/bin/env node
// npm start: installs what is missing, starts the database, builds, serves the demo, prints the address.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
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
import { ROOT, STATE } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { forgetRunning, holdStartLock, tellRunning } from './lib/run-file.mjs'
import { inRed, runScript, say, Trouble } from './lib/say.mjs'
import { supervise } from './lib/supervise.mjs'

const USUAL_PORT = 4310
const DATA = `${STATE}-data`

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
await runScript(async () => {
  const unknown = process.argv.slice(2).find((arg) => !['--fresh', '--demo'].includes(arg))
  if (unknown !== undefined)
    throw new Trouble(
      `“${unknown}” is not known: expected npm start, npm start -- --fresh, or npm start -- --demo`,
    )
  const fresh = process.argv.includes('--fresh')
  checkNode()
  const wantedPort = portAsked()
  const letGo = holdStartLock()
  process.on('exit', letGo)
  if (fresh) await confirmFresh()
  checkRoom()
  await Promise.all([
    ensureNodeModules({ toRun: true }),
    ...(process.env['DATABASE_URL'] ? [] : [ensureDebianPackages([POSTGRESQL])]),
  ])
  const { startDatabase } = await import('./lib/database.mjs')
  const { buildClient } = await import('./build-client.mjs')
  const { endLeftServers, startServer } = await import('./lib/serve.mjs')
  // What a killed start left running holds the port and the database.
  await endLeftServers()
  const port = await choosePort(wantedPort)
  let database
  let server
  let isStopping = false
  let copies
  let compressing
  const stop = async () => {
    isStopping = true
    clearInterval(copies)
    compressing?.kill()
    forgetRunning()
    await server?.stop()
    await database?.stop()
  }
  // From here on Ctrl-C stops what was started, in order: the server first, then its database.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      say('\nStopping …')
      void stop().then(() => process.exit(0))
    })
  // One waits for the disk, the other for the processor.
  const opened = openDatabase(startDatabase, fresh).then((one) => (database = one))
  try {
    await Promise.all([buildClient(), opened])
  } catch (cause) {
    await opened.catch(() => undefined)
    await stop()
    throw cause
  }
  // Invented people have a PIN that everybody can read: they are there on this machine alone, or where it is asked.
  const demo =
    process.argv.includes('--demo') ||
    process.env['PINE_DEMO'] === '1' ||
    (!process.env['DATABASE_URL'] && !isOnNetwork())
  const serve = () =>
    startServer({ databaseUrl: database.serverUrl, ownerUrl: database.url, port, demo })
  try {
    server = await serve()
  } catch (cause) {
    await stop()
    throw cause
  }
  tellRunning({ pid: process.pid, address: server.address, databaseUrl: database.url })
  say(readyWords(server, demo))
  copies = keepCopies(database.url)
  // The tests serve the page as it was built: it is served the same, and half a minute of a processor is theirs.
  if (process.env['PINE_COMPRESS'] !== 'quick')
    compressing = spawn(process.execPath, [join(ROOT, 'scripts/compress-client.mjs')], {
      stdio: 'ignore',
    })
  const isOver = () => isStopping
  const serveAgain = async () => {
    server = await serve()
    // While nobody is here each server makes a code of its own: the one before lets nobody in any more.
    if (server.firstCode !== undefined) say(firstCodeWords(server.firstCode))
    return server
  }
  try {
    await Promise.race([
      supervise('The server', server, serveAgain, isOver),
      database.supervised(isOver),
    ])
  } catch (cause) {
    await stop()
    throw cause
  }
})

/** Whether more than this machine can reach it: it listens elsewhere, or a proxy stands before it. */
function isOnNetwork() {
  const host = process.env['PINE_HOST'] || '127.0.0.1'
  return process.env['PINE_PROXY'] === '1' || !/^(127(\.\d+){3}|::1|localhost)$/.test(host)
}

/** What a person who started it does next. */
function readyWords({ address, firstCode, demoOnNetwork }, demo) {
  const lines = [
    `Pine Compass is ready:  ${addressesOf(address).join('\n                          ')}`,
    ...(demoOnNetwork
      ? [
          inRed(
            'DEMONSTRATION ON THE NETWORK: its PIN 2468 is published, anybody signs in as a lead.',
          ),
        ]
      : demo
        ? ['Demo workshop: pick a name, PIN 2468.']
        : []),
    ...(firstCode === undefined
      ? []
      : [firstCodeWords(firstCode), 'It is shown only now, and good for a day.']),
    'Ctrl-C stops; “npm start -- --fresh” begins again.',
  ]
  return `\n  ${lines.join('\n  ')}\n`
}

function firstCodeWords(code) {
  return `Nobody is here yet. The first person is the lead, and joins with the code  ${code.slice(0, 4)} ${code.slice(4)}`
}

/** What brings entered data back where a database does not start any more: the newest copy, before anything is put aside. */
async function wayBack() {
  const { BACKUPS, backupName, newestBackup } = await import('./lib/backups.mjs')
  const newest = newestBackup()
  return newest === undefined
    ? `No copy of it was made yet; “npm start -- --fresh” begins again with an empty one and keeps this one aside.`
    : `The newest copy is ${join(BACKUPS, backupName(newest))}. “npm start -- --fresh” begins again with an empty one and keeps this one aside; stopped again, “npm run restore -- FILE” puts the copy back.`
}

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

async function lastCopy() {
  const { BACKUPS, backupName, newestBackup } = await import('./lib/backups.mjs')
  const newest = newestBackup()
  return newest === undefined ? '' : `The newest copy is ${join(BACKUPS, backupName(newest))}. `
}

/** A person is asked before the database is put aside; a script that says --fresh means it. */
async function confirmFresh() {
  if (!process.stdin.isTTY || !existsSync(join(DATA, 'data', 'PG_VERSION'))) return
  const line = createInterface({ input: process.stdin, output: process.stdout })
  const said = await line.question(
    `Begin with an empty database? What is there now is kept aside. ${await lastCopy()}Type yes: `,
  )
  line.close()
  if (said.trim().toLowerCase() !== 'yes') throw new Trouble('left as it is: nothing was started.')
}

/** The port that PORT asks for; undefined where it asks for none. */
function portAsked() {
  const asked = process.env['PORT']
  if (asked === undefined || asked === '') return undefined
  const port = Number(asked)
  if (!/^\d+$/.test(asked) || port < 1 || port > 65_535)
    throw new Trouble(`PORT is “${asked}”: expected a whole number from 1 to 65535.`)
  return port
}

async function choosePort(asked) {
  const port = await freePort(asked ?? USUAL_PORT)
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
  let cluster = await startDatabase(DATA, { fresh, keepOld: true }).catch(async (cause) => {
    throw cause instanceof Trouble ? new Trouble(`${cause.message} ${await wayBack()}`) : cause
  })
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
