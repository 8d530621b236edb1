import { cpSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { madeOf } from './made-of.mjs'
import { ROOT } from './paths.mjs'

const MADE_OF = [
  'core/src',
  'contract/src',
  'formats/src',
  'server/src',
  'package-lock.json',
  import.meta.filename.slice(ROOT.length + 1),
]
const DIST = join(ROOT, 'server/dist')
const MARK = '.made-of'

/** What is started on its own; the second is what a thread of the first runs. */
const PROGRAMS = ['main', 'work/setup-thread', 'check-database', 'add-shop', 'archive']

/**
 * A program of the server as plain JavaScript, built where its sources have changed: it starts in a third of the time that
 * translating each source at every start takes.
 * @param {'main' | 'check-database' | 'add-shop' | 'archive'} name
 * @returns {Promise<string>} its file
 */
export async function serverProgram(name) {
  const now = madeOf(MADE_OF)
  if (!isMadeOf(now)) await build(now)
  return join(DIST, `${name}.mjs`)
}

const isMadeOf = (now) =>
  existsSync(join(DIST, MARK)) && readFileSync(join(DIST, MARK), 'utf8') === now

async function build(now) {
  const { build } = await import('esbuild')
  // Beside its place and moved there at the end: another start may be building, or running what is there.
  const making = `${DIST}.${process.pid}`
  await build({
    entryPoints: PROGRAMS.map((program) => join(ROOT, `server/src/${program}.ts`)),
    outdir: making,
    outbase: join(ROOT, 'server/src'),
    outExtension: { '.js': '.mjs' },
    chunkNames: 'shared-[hash]',
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Packages stay where they are; our own rooms come in whole.
    external: externals(),
    sourcemap: true,
    logLevel: 'warning',
  })
  cpSync(join(ROOT, 'server/src/demo/programs'), join(making, 'programs'), { recursive: true })
  writeFileSync(join(making, MARK), now)
  const aside = `${making}.old`
  if (existsSync(DIST)) renameSync(DIST, aside)
  try {
    renameSync(making, DIST)
  } catch (cause) {
    // Somebody else was as quick, and built the same.
    if (!isMadeOf(now)) throw cause
    rmSync(making, { recursive: true, force: true })
  }
  rmSync(aside, { recursive: true, force: true })
}

/** The packages that server, formats, contract and core name as theirs. */
const externals = () =>
  ['server', 'formats', 'contract', 'core']
    .flatMap((room) =>
      Object.keys(
        JSON.parse(readFileSync(join(ROOT, room, 'package.json'), 'utf8')).dependencies ?? {},
      ),
    )
    .filter((name) => !name.startsWith('@pine/'))
