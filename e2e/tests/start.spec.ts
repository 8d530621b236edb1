import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { joinCode } from '../support/machinist'
import { freePort } from '../support/product'
import { PLACE, Start } from '../support/start'

const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')
/** What a script of the README prints, with the same place. */
function script(state: string, name: string, ...args: string[]): Promise<string> {
  const child = spawn(process.execPath, [`scripts/${name}.mjs`, ...args], {
    cwd: ROOT,
    env: { ...process.env, PINE_STATE: state, DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
  return new Promise((resolve) => child.on('close', () => resolve(said)))
}

/** Processes that have this on their command line or in their environment. */
const processesWith = (text: string): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((pid) =>
      ['cmdline', 'environ'].some((what) => {
        try {
          return readFileSync(`/proc/${pid}/${what}`, 'utf8').includes(text)
        } catch {
          return false
        }
      }),
    )
    .map(Number)
    .filter((pid) => pid !== process.pid)

/** The process whose death ends a database. */
const postmasterOf = (state: string): number =>
  Number(readFileSync(`${state}-data/data/postmaster.pid`, 'utf8').split('\n')[0])

test('killed without a chance to clean up, the next start takes over and loses nothing; copies are put back, and --fresh keeps the old', async () => {
  const folder = mkdtempSync(join(PLACE, 'pine-start-'))
  chmodSync(folder, 0o711)
  const state = join(folder, 'shop')
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  const names = async () =>
    ((await (await fetch(`${address}/api/people`)).json()) as { name: string }[]).map(
      ({ name }) => name,
    )
  const introduce = async (name: string) => {
    const added = await fetch(`${address}/api/people`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        id: uuid(),
        name,
        pin: '2468',
        code: await joinCode(address, 'setter'),
      }),
    })
    expect(added.status).toBe(201)
  }
  try {
    const first = Start.begin(state, port)
    await first.says(/is ready/)
    await introduce('Nell Kept')
    const second = Start.begin(state, port)
    await second.says(/already runs at/)

    await first.end('SIGKILL')
    expect(await names()).toContain('Nell Kept')
    const third = Start.begin(state, port)
    await third.says(/is ready/)
    expect(await names()).toContain('Nell Kept')

    // A copy of what is there now, made while it runs, and put back later in the place of what came after it.
    const copy = join(folder, 'copy.dump')
    expect(await script(state, 'backup', copy)).toMatch(/facts, 3 releases, read back and checked/)
    expect(await script(state, 'restore', copy)).toMatch(/stop it first/)
    await introduce('Lars Late')

    // The server dies under it: it is started again, and says so.
    const [server] = processesWith(`PINE_RUN=${state}`).filter((pid) => pid !== third.process.pid)
    process.kill(server ?? 0, 'SIGKILL')
    await third.says(/The server ended[^]*The server is back/)
    expect(await names()).toContain('Nell Kept')

    // So is its database, where it dies; meanwhile the server says that it waits, and what it held is there again.
    process.kill(postmasterOf(state), 'SIGKILL')
    await third.says(/The database ended[^]*The database is back/)
    await expect.poll(async () => (await fetch(`${address}/health`)).status).toBe(200)
    expect(await names()).toContain('Nell Kept')
    expect(await third.end('SIGTERM')).toBe(0)
    expect(processesWith(state)).toEqual([])

    expect(await script(state, 'restore', copy)).toMatch(/Put back: .* kept as pine_before_/s)
    const restored = Start.begin(state, port)
    await restored.says(/is ready/)
    expect(await names()).toContain('Nell Kept')
    expect(await names()).not.toContain('Lars Late')
    expect(await restored.end('SIGTERM')).toBe(0)

    const fresh = Start.begin(state, port, '--fresh')
    await fresh.says(/kept in[^]*is ready/)
    expect(await names()).not.toContain('Nell Kept')
    const aside = readdirSync(dirname(state)).filter((name) =>
      name.startsWith(`${basename(state)}-data.kept-`),
    )
    expect(aside).toHaveLength(1)
    expect(existsSync(join(dirname(state), aside[0] ?? '', 'data/PG_VERSION'))).toBe(true)
    expect(await fresh.end('SIGTERM')).toBe(0)
  } finally {
    for (const pid of processesWith(state)) process.kill(pid, 'SIGKILL')
    rmSync(dirname(state), { recursive: true, force: true })
  }
})
