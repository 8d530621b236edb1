import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { must, run } from './command.mjs'
import { isRoot, ROOT } from './paths.mjs'
import { say, Trouble } from './say.mjs'

const GIGABYTE = 1e9
/** What npm ci takes, with room for the build. */
const ROOM_TO_INSTALL = 2 * GIGABYTE
const ROOM_TO_RUN = 0.2 * GIGABYTE

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Trouble(`Node.js ${process.versions.node} is too old: 20.19 or newer is needed.`)
}

export function checkRoom(needed = ROOM_TO_RUN) {
  const { bavail, bsize } = statfsSync(ROOT)
  const free = bavail * bsize
  if (free < needed)
    throw new Trouble(
      `the disk is nearly full: ${(free / GIGABYTE).toFixed(1)} GB free at ${ROOT}, ${(needed / GIGABYTE).toFixed(1)} GB needed.`,
    )
}

/**
 * Installs the npm packages of the lock file, unless they are there already.
 * @param {{ toRun?: boolean }} options to run it takes half as many as to check and test it, and half the time.
 */
export async function ensureNodeModules({ toRun = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
  const mark = join(ROOT, 'node_modules', '.pine-lock')
  const there = existsSync(mark) ? readFileSync(mark, 'utf8') : ''
  if (there === lock || (toRun && there === `${lock} to run`)) return
  checkRoom(ROOM_TO_INSTALL)
  say('Installing the npm packages (one to four minutes the first time) …')
  const some = toRun ? ['--omit=dev'] : []
  await must('installing the npm packages', 'npm', ['ci', '--no-audit', '--no-fund', ...some], {
    cwd: ROOT,
  })
  writeFileSync(mark, toRun ? `${lock} to run` : lock)
}

/** The folder with initdb and postgres, or undefined. Debian keeps them off the PATH. */
export function postgresFolder() {
  const versions = existsSync('/usr/lib/postgresql')
    ? readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a))
    : []
  return versions
    .map((version) => `/usr/lib/postgresql/${version}/bin`)
    .find((folder) => existsSync(`${folder}/initdb`) && existsSync(`${folder}/postgres`))
}

/** The browser of the tests. Without a window it needs a third less of the processor. */
export const chromiumPath = () =>
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
    (path) => existsSync(path),
  )

/** Installs Debian packages, as root or through sudo; says what to do where neither is possible. */
export async function ensureDebianPackages(wanted) {
  const missing = wanted.filter(({ present }) => !present()).map(({ name }) => name)
  if (missing.length === 0) return
  const names = missing.join(' ')
  const apt = await run('sh', ['-c', 'command -v apt-get'])
  if (apt.code !== 0)
    throw new Trouble(
      `${names} missing and this is no Debian system: install ${names} by its own package manager, or set DATABASE_URL.`,
    )
  const prefix = isRoot()
    ? []
    : (await run('sudo', ['-n', 'true']).catch(() => ({ code: 1 }))).code === 0
      ? ['sudo', '-n']
      : undefined
  if (prefix === undefined)
    throw new Trouble(
      `${names} missing: ask someone with root to run “apt-get install ${names}”, then start again.`,
    )
  say(`Installing ${names} from Debian's packages …`)
  const call = (args) => {
    const [command, ...rest] = [
      ...prefix,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      ...args,
    ]
    return must(`installing ${names}`, command, rest)
  }
  await call(['update'])
  await call(['install', '-y', '--no-install-recommends', ...missing])
}

export const POSTGRESQL = { name: 'postgresql', present: () => postgresFolder() !== undefined }
const onPath = (path) => () => existsSync(path)
/** What keeps three databases in step and chooses which of them writes, and what keeps all that was written. */
export const CLUSTER = [
  POSTGRESQL,
  { name: 'patroni', present: onPath('/usr/bin/patroni') },
  // How patroni speaks to those that vote.
  { name: 'python3-etcd', present: onPath('/usr/lib/python3/dist-packages/etcd/__init__.py') },
  { name: 'etcd-server', present: onPath('/usr/bin/etcd') },
  { name: 'pgbackrest', present: onPath('/usr/bin/pgbackrest') },
]
export const CHROMIUM = {
  name: 'chromium-headless-shell',
  present: () => chromiumPath() !== undefined,
}
/** Holds documents against a schema, in the tests. */
export const XMLLINT = { name: 'libxml2-utils', present: onPath('/usr/bin/xmllint') }
