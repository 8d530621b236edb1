import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { must } from './command.mjs'
import { ensureDebianPackages, postgresFolder, POSTGRESQL } from './packages.mjs'
import { ROOT, RUN_FILE, STATE } from './paths.mjs'
import { runsScript } from './processes.mjs'
import { Trouble } from './say.mjs'

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
    [
      '--import',
      `file://${join(ROOT, 'node_modules/tsx/dist/loader.mjs')}`,
      join(ROOT, 'server/src/check-database.ts'),
    ],
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

/**
 * A copy of everything by the database's own tools. It counts once it was put into a database beside and read through: the
 * same number of releases, each with its hash.
 */
export async function backUp(url, file) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  const making = `${file}.making`
  await withTool(
    'copying the database',
    'pg_dump',
    ['-Fc', '--no-owner', '--no-acl', '-f', making, '-d', unguarded(url)],
    url,
  )
  const beside = `pine_copy_${stamp(new Date()).replaceAll('-', '_')}_${process.pid}`
  try {
    const content = await putInto(url, beside, making)
    renameSync(making, file)
    return content
  } finally {
    rmSync(making, { force: true })
    await sql(url, `DROP DATABASE IF EXISTS ${beside}`)
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

/** What npm start runs just now, where it does. */
export function running() {
  if (!existsSync(RUN_FILE)) return undefined
  const known = JSON.parse(readFileSync(RUN_FILE, 'utf8'))
  return runsScript(known.pid, 'scripts/start.mjs', ROOT) ? known : undefined
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
