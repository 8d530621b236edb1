#!/usr/bin/env node
// Exports the client to client/dist, unless what it is made of has not changed since the last time.
import { createHash } from 'node:crypto'
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { run } from './lib/command.mjs'
import { ROOT } from './lib/paths.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

const MADE_OF = [
  'client/src',
  'client/app.json',
  'client/babel.config.cjs',
  'client/package.json',
  'core/src',
  'contract/src',
  'package-lock.json',
  'scripts/build-client.mjs',
]
const DIST = join(ROOT, 'client/dist')
const MARK = join(DIST, '.made-of')

const FONTS = [
  ...[400, 500, 700].map((weight) => ['next', weight]),
  ...[400, 500, 600].map((weight) => ['mono', weight]),
]

function* filesIn(path) {
  const absolute = join(ROOT, path)
  if (!existsSync(absolute)) return
  const entries = readdirSync(join(absolute, '..'), { withFileTypes: true })
  if (entries.find(({ name }) => path.endsWith(name))?.isFile()) return yield path
  for (const { name } of readdirSync(absolute, { withFileTypes: true }).sort((a, b) =>
    a.name < b.name ? -1 : 1,
  ))
    yield* filesIn(`${path}/${name}`)
}

function fingerprint() {
  const hash = createHash('sha256')
  for (const path of MADE_OF.flatMap((part) => [...filesIn(part)]))
    hash.update(path).update(readFileSync(join(ROOT, path)))
  return hash.digest('hex')
}

/** The faces ship with the application: they are copied out of their npm packages. */
function copyFonts() {
  const folder = join(ROOT, 'client/public/fonts')
  mkdirSync(folder, { recursive: true })
  for (const [family, weight] of FONTS) {
    const name = `atkinson-hyperlegible-${family}`
    copyFileSync(
      join(ROOT, `node_modules/@fontsource/${name}/files/${name}-latin-${weight}-normal.woff2`),
      join(folder, `${family}-${weight}.woff2`),
    )
  }
}

export async function buildClient() {
  const now = fingerprint()
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === now) return
  say('Building the client (about two minutes the first time) …')
  copyFonts()
  const cli = join(ROOT, 'node_modules/expo/bin/cli')
  const { code, output } = await run(
    process.execPath,
    [cli, 'export', '-p', 'web', '--output-dir', 'dist'],
    {
      cwd: join(ROOT, 'client'),
      env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
    },
  )
  if (code !== 0)
    throw new Trouble(
      `building the client failed:\n${output.trim().split('\n').slice(-25).join('\n')}`,
    )
  writeFileSync(MARK, now)
}

if (process.argv[1] === new URL(import.meta.url).pathname) await runScript(buildClient)
