import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { must } from './command.mjs'
import { ensureDebianPackages, postgresFolder, POSTGRESQL } from './packages.mjs'
import { ROOT, STATE } from './paths.mjs'
import { isAlive } from './processes.mjs'
import { running } from './run-file.mjs'
import { Trouble } from './say.mjs'
import { serverProgram } from './server-program.mjs'

export const BACKUPS = `${STATE}-backups`

const DAY_MS = 86_400_000
/** How many copies are kept: the last of each of so many days, weeks and months. */
const KEEP = { days: 7, weeks: 5, months: 12 }

const stamp = (now) => now.toISOString().slice(0, 19).replace(/[:T]/g, '-')
const NAME = /^pine-(\d{4}-\d{2}-\d{2})-(\d{2})-(\d{2})-(\d{2})\.dump$/

export const backupName = (now) => `pine-${stamp(now)}.dump`

/** When a copy was made, by its name; undefined for what is no copy of ours. */
function madeAt(name) {
  const [, day, hour, minute, second] = NAME.exec(name) ?? []
  return day && new Date(`${day}T${hour}:${minute}:${second}Z`)
}

/**
 * Which copies go: all but the newest of each of the last days, weeks and months. What has another name is never touched.
 * @param {readonly string[]} names
 */
export function outlived(names) {
  const copies = names
    .map((name) => ({ name, at: madeAt(name) }))
    .filter(({ at }) => at !== undefined)
    .sort((a, b) => b.at - a.at)
  const keep = new Set()
  const keepNewestOf = (count, periodOf) => {
    const periods = new Set()
    for (const { name, at } of copies) {
      if (periods.has(periodOf(at))) continue
      if (periods.size === count) break
      periods.add(periodOf(at))
      keep.add(name)
    }
  }
  keepNewestOf(KEEP.days, (at) => Math.floor(at / DAY_MS))
  keepNewestOf(KEEP.weeks, (at) => Math.floor((at / DAY_MS + 3) / 7))
  keepNewestOf(KEEP.months, (at) => at.toISOString().slice(0, 7))
  return copies.filter(({ name }) => !keep.has(name)).map(({ name }) => name)
}

/** The newest copy that is kept here; undefined where there is none. */
export const newestBackup = () =>
  existsSync(BACKUPS)
    ? readdirSync(BACKUPS)
        .map(madeAt)
        .filter((at) => at !== undefined)
        .sort((a, b) => b - a)[0]
    : undefined

export function forgetOutlived() {
  for (const name of outlived(readdirSync(BACKUPS))) rmSync(join(BACKUPS, name))
}

/** A tool of the database's own, with the password in its environment: everybody sees a command line. */
function withTool(what, name, args, url) {
  const { password } = new URL(url)
  const env = { ...process.env, PGPASSWORD: decodeURIComponent(password) }
  return must(what, join(postgresFolder(), name), args, { env })
}

const unguarded = (url) => Object.assign(new URL(url), { password: '' }).href
const named = (url, name) => Object.assign(new URL(url), { pathname: `/${name}` }).href
const nameOf = (url) => new URL(url).pathname.slice(1)
const sql = (url, text) =>
  withTool(
    'asking the database',
    'psql',
    [unguarded(named(url, 'postgres')), '-v', 'ON_ERROR_STOP=1', '-tAc', text],
    url,
  )

/** What is in a database, read through: facts, streams, releases, and those that do not give their hash. */
export async function contentOf(url) {
  const said = await must(
    'reading the database through',
    process.execPath,
    [await serverProgram('check-database')],
    { cwd: ROOT, env: { ...process.env, DATABASE_URL: url } },
  )
  return JSON.parse(said.trim().split('\n').at(-1))
}

/** Puts a copy into a new database of the same server, and reads it through. */
async function putInto(url, name, file) {
  await sql(url, `CREATE DATABASE ${name}`)
  await withTool(
    'putting the copy into a database',
    'pg_restore',
    ['--exit-on-error', '--no-owner', '--no-acl', '-d', unguarded(named(url, name)), file],
    url,
  )
  return contentOf(named(url, name))
}

/** Rows that let somebody in, and are worth nothing after a day: they are in no copy. */
const NOT_COPIED = ['session', 'known_device', 'secret_try', 'join_code']

/** Where a copy is put into a database to be read through: named after the process, so that a killed one's is found. */
const trialFolder = (pid) => `${STATE}-copy-${pid}`

/** What a copy that was killed in its making has left: its half file, and the cluster that it was read in. */
async function clearLeft(folder) {
  for (const name of readdirSync(folder)) {
    const pid = Number(/\.(\d+)\.making$/.exec(name)?.[1])
    if (pid && !isAlive(pid)) rmSync(join(folder, name), { force: true })
  }
  const { endLeftDatabase } = await import('./database.mjs')
  const beside = basename(trialFolder(''))
  for (const name of readdirSync(dirname(STATE))) {
    const pid = name.startsWith(beside) ? Number(name.slice(beside.length)) : NaN
    if (!Number.isInteger(pid) || isAlive(pid)) continue
    await endLeftDatabase(trialFolder(pid))
    rmSync(trialFolder(pid), { recursive: true, force: true })
  }
}

/**
 * A copy of everything by the database's own tools, for its owner's eyes alone. It counts once it was put into a throw-away
 * cluster and read through: the same number of releases, each with its hash.
 */
export async function backUp(url, file) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  await clearLeft(dirname(file))
  const making = `${file}.${process.pid}.making`
  // Made before anything is in it: pg_dump alone would let everybody of this machine read it.
  closeSync(openSync(making, 'wx', 0o600))
  const { startDatabase } = await import('./database.mjs')
  let trial
  const clear = async () => {
    rmSync(making, { force: true })
    await trial?.stop()
    rmSync(trialFolder(process.pid), { recursive: true, force: true })
  }
  const leave = () => void clear().then(() => process.exit(1))
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, leave)
  try {
    await withTool(
      'copying the database',
      'pg_dump',
      [
        ...['-Fc', '--no-owner', '--no-acl', '-f', making, '-d', unguarded(url)],
        ...NOT_COPIED.map((table) => `--exclude-table-data=${table}`),
      ],
      url,
    )
    trial = await startDatabase(trialFolder(process.pid), { durable: false })
    const content = await putInto(trial.url('postgres'), 'pine_copy', making)
    renameSync(making, file)
    return content
  } finally {
    for (const signal of ['SIGINT', 'SIGTERM']) process.off(signal, leave)
    await clear()
  }
}

/** Puts a copy in the place of the database, which is kept under another name. */
export async function putBack(url, file) {
  if (!existsSync(file))
    throw new Trouble(`there is no ${file}: name a copy that npm run backup made.`)
  const at = stamp(new Date()).replaceAll('-', '_')
  const [before, restored] = [`pine_before_${at}`, `pine_restored_${at}`]
  let content
  try {
    content = await putInto(url, restored, file)
  } catch (cause) {
    await sql(url, `DROP DATABASE IF EXISTS ${restored}`)
    throw cause
  }
  const exists = (
    await sql(url, `SELECT 1 FROM pg_database WHERE datname = '${nameOf(url)}'`)
  ).trim()
  if (exists === '1') await sql(url, `ALTER DATABASE ${nameOf(url)} RENAME TO ${before}`)
  await sql(url, `ALTER DATABASE ${restored} RENAME TO ${nameOf(url)}`)
  return { content, before: exists === '1' ? before : undefined }
}

/** The database of DATABASE_URL, of what runs, or the private one, started for this. */
export async function withDatabase(work) {
  await ensureDebianPackages([POSTGRESQL])
  const url = process.env['DATABASE_URL'] || running()?.databaseUrl
  if (url) return work(url)
  const { startDatabase } = await import('./database.mjs')
  const cluster = await startDatabase(`${STATE}-data`)
  try {
    await cluster.createDatabase('pine')
    return await work(cluster.url('pine'))
  } finally {
    await cluster.stop()
  }
}
