import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import { answerMachine } from '../support/answer-machine'
import { Machinist } from '../support/machinist'
import { freePort } from '../support/product'
import { PLACE, Start } from '../support/start'

const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')

let folder: string
let state: string
test.beforeEach(() => {
  folder = mkdtempSync(join(PLACE, 'pine-net-'))
  chmodSync(folder, 0o711)
  state = join(folder, 'shop')
})
test.afterEach(() => rmSync(folder, { recursive: true, force: true }))

const ended = (start: Start): Promise<number | null> =>
  new Promise((resolve) => start.process.on('exit', resolve))

test('on a network a product begins empty, with a code that lets its first lead in, who reads a first number', async ({
  page,
}) => {
  const port = await freePort()
  const onNetwork = { PINE_STATE: state, PORT: String(port), PINE_HOST: '0.0.0.0' }
  const start = Start.with(onNetwork)
  await start.says(/is ready/)
  expect(start.said).not.toMatch(/2468|Demo workshop/)
  const [, code = ''] = /joins with the code {2}(.{4} .{4})/.exec(start.said) ?? []
  const address = `http://127.0.0.1:${port}`
  expect(await (await fetch(`${address}/api/people`)).json()).toEqual([])

  // On the phone, from the printed code to the first page.
  await page.goto(address)
  await page.getByTestId('name').fill('Lena Lead')
  await page.getByTestId('pin').fill('2468')
  await page.getByTestId('code').fill(code)
  await page.getByRole('button', { name: 'Add me' }).click()
  await expect(page.getByText('A lead’s PIN has six digits or more.')).toBeVisible()
  await page.getByTestId('pin').fill('246810')
  await page.getByRole('button', { name: 'Add me' }).click()
  await expect(page.getByRole('button', { name: 'New set-up' })).toBeVisible()
  await expect(page.getByTestId('demo-on-network')).toBeHidden()

  // And on from there to the first number that is read at the machine.
  const lena = new Machinist(page, address)
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByTestId('job-name').fill('Focuser body')
  await page.getByRole('button', { name: 'Add a machine' }).click()
  await page.getByTestId('machine-name').fill('Mill 2')
  await answerMachine(page)
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await page.getByRole('radio', { name: 'Mill 2' }).click()
  await page.getByRole('radio', { name: 'real lengths, from the nose' }).click()
  await page.getByTestId('plane').fill('fixed jaw')
  await page.getByTestId('tool-name-0').fill('10 mm end mill')
  await page.getByTestId('go-on').click()
  for (const axis of ['X', 'Y', 'Z']) await page.getByTestId(`stock-${axis}`).fill('60')
  await page.getByTestId('go-on').click()
  await lena.seeTo(/Home the machine/)
  await lena.seeTo(/Clean the seats/)
  await lena.read(/bare nose down onto/, '-300.000', '−300.000')
  await lena.sent()
  await lena.look('first-reading-on-a-network')
  expect(await start.end('SIGTERM')).toBe(0)

  // Somebody's own from now on: started on this machine alone it is not filled with invented people.
  const alone = Start.begin(state, port)
  await alone.says(/is ready/)
  const people = (await (await fetch(`${address}/api/people`)).json()) as { name: string }[]
  expect(people.map(({ name }) => name)).toEqual(['Lena Lead'])
  expect(alone.said).not.toContain('joins with the code')
  expect(await alone.end('SIGTERM')).toBe(0)
})

test('the demonstration goes to no network by itself; asked for, it is told in red on every page', async ({
  page,
}) => {
  const port = await freePort()
  const demo = Start.begin(state, port)
  await demo.says(/Demo workshop: pick a name, PIN 2468/)
  expect(await demo.end('SIGTERM')).toBe(0)

  const reachable: readonly Readonly<Record<string, string>>[] = [
    { PINE_HOST: '0.0.0.0' },
    { PINE_PROXY: '1' },
  ]
  for (const settings of reachable) {
    const refused = Start.with({ PINE_STATE: state, PORT: String(port), ...settings })
    expect(await ended(refused)).toBe(1)
    expect(refused.said).toMatch(/Mira Toller.*PIN that its README publishes.*--fresh.*--demo/s)
  }

  const asked = Start.with(
    { PINE_STATE: state, PORT: String(port), PINE_HOST: '0.0.0.0' },
    '--demo',
  )
  await asked.says(/DEMONSTRATION ON THE NETWORK[^]*Ctrl-C/)
  const address = `http://127.0.0.1:${port}`
  await page.goto(address)
  await expect(page.getByTestId('demo-on-network')).toBeVisible()
  const mira = new Machinist(page, address)
  await mira.signInByKeys('Mira Toller')
  await expect(page.getByRole('button', { name: 'New set-up' })).toBeVisible()
  await expect(page.getByTestId('demo-on-network')).toBeVisible()
  expect(await asked.end('SIGTERM')).toBe(0)
})

test('two starts at once do not end one another’s database, and half-written files stand in nobody’s way', async () => {
  const port = await freePort()
  mkdirSync(`${state}-run`, { recursive: true })
  // What a start left that was ended in mid-word, and the lock of a process that is gone.
  writeFileSync(join(`${state}-run`, 'running.json'), '{"pid": 12')
  writeFileSync(join(`${state}-run`, 'start.lock'), '999999')
  const first = Start.begin(state, port)
  const second = Start.begin(state, port)
  const loser = await Promise.race([
    ended(first).then(() => first),
    ended(second).then(() => second),
  ])
  const winner = loser === first ? second : first
  expect(loser.said).toMatch(/is being started already \(process \d+\)|already runs at/)
  await winner.says(/is ready/)
  const third = Start.begin(state, port)
  expect(await ended(third)).toBe(1)
  expect(third.said).toContain(`already runs at http://127.0.0.1:${port}`)
  expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200)
  expect(await winner.end('SIGTERM')).toBe(0)
  expect(readdirSync(`${state}-run`).filter((name) => /lock|json/.test(name))).toEqual([])

  // A bit of the database's own file turns: the newest copy is named before anything is put aside.
  mkdirSync(`${state}-backups`, { recursive: true })
  writeFileSync(join(`${state}-backups`, 'pine-2026-11-29-06-00-00.dump'), 'a copy')
  writeFileSync(join(`${state}-data`, 'data/global/pg_control'), 'broken')
  const broken = Start.begin(state, port)
  expect(await ended(broken)).toBe(1)
  expect(broken.said).toMatch(
    /pine: the database will not start: .*newest copy is .*pine-2026-11-29-06-00-00\.dump.*--fresh.*restore/,
  )
})

test('what is set wrong is told in one sentence', async () => {
  for (const [settings, words] of [
    [{ PORT: 'abc' }, 'PORT is “abc”: expected a whole number from 1 to 65535.'],
    [{ PORT: '70000' }, 'PORT is “70000”: expected a whole number from 1 to 65535.'],
    [{ PINE_STATE: join(folder, 'file', 'in') }, 'is in the way (ENOTDIR)'],
  ] as const) {
    writeFileSync(join(folder, 'file'), 'a file where a folder should be')
    const start = Start.with({ PINE_STATE: state, ...settings })
    expect(await ended(start)).toBe(1)
    expect(start.said).toContain(`pine: `)
    expect(start.said).toContain(words)
    expect(start.said).not.toMatch(/at .*\.mjs:\d+/)
  }
})

test('a copy is its owner’s alone, has no session in it, and one that is killed leaves nothing', async () => {
  const port = await freePort()
  const start = Start.begin(state, port)
  await start.says(/is ready/)
  const address = `http://127.0.0.1:${port}`
  const people = (await (await fetch(`${address}/api/people`)).json()) as { id: string }[]
  const session = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ personId: people[0]?.id, pin: '2468' }),
  })
  expect(session.status).toBe(201)
  const copies = join(folder, 'copies')
  const backup = (name: string) =>
    spawn(process.execPath, ['scripts/backup.mjs', join(copies, name)], {
      cwd: ROOT,
      env: { ...process.env, PINE_STATE: state, DATABASE_URL: '' },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
  const killed = backup('killed.dump')
  await expect
    .poll(() => existsSync(copies) && readdirSync(copies).length, { intervals: [20] })
    .toBeGreaterThan(0)
  const gone = new Promise((resolve) => killed.on('exit', resolve))
  killed.kill('SIGKILL')
  await gone
  const whole = backup('whole.dump')
  expect(await new Promise((resolve) => whole.on('exit', resolve))).toBe(0)
  expect(readdirSync(copies)).toEqual(['whole.dump'])
  expect(readdirSync(folder).filter((name) => name.includes('-copy-'))).toEqual([])
  expect(statSync(join(copies, 'whole.dump')).mode & 0o077).toBe(0)
  expect(await start.end('SIGTERM')).toBe(0)

  const restored = spawn(process.execPath, ['scripts/restore.mjs', join(copies, 'whole.dump')], {
    cwd: ROOT,
    env: { ...process.env, PINE_STATE: state, DATABASE_URL: '' },
  })
  expect(await new Promise((resolve) => restored.on('exit', resolve))).toBe(0)
  const again = Start.begin(state, port)
  await again.says(/is ready/)
  const [cookie = ''] = session.headers.getSetCookie().map((set) => set.split(';')[0] ?? '')
  const old = await fetch(`${address}/api/setups`, { headers: { Cookie: cookie } })
  expect(old.status).toBe(401)
  expect(await again.end('SIGTERM')).toBe(0)
})
