#!/usr/bin/env node
// npm run mutants -- ROOM [FILE …] [--sample N]: puts small changes into the code of a room, one at a time, and tells which of them pass every
// test. ROOM is core/keyin and the like, contract, server/use-cases or client/data. It is no part of npm test: a room takes
// minutes, all of them hours. --sample tries about N of a room's changes: blocks of lines at equal distances, so that every
// file has its share.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureDebianPackages, ensureNodeModules, POSTGRESQL } from './lib/packages.mjs'
import { ROOT, STATE } from './lib/paths.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

/** What of a random test's cases is run for each mutant: the full number finds hardly more, and takes ten times as long. */
const TRIALS = '0.03'

/**
 * Tests of core that take long, each with the rooms that it is about. All others hold every room; what survives them may still be
 * caught by one of these elsewhere, so the number is on the careful side. Another project's room is held to all of its tests.
 */
const LONG = {
  budget: ['budget'],
  coverage: ['budget', 'sources'],
  'every-number': ['chain', 'touch', 'schools', 'keyin', 'solve', 'quantities', 'sources'],
  features: ['features'],
  fuzz: ['sheet'],
  generative: ['schools'],
  program: ['program', 'running'],
  'program-bounds': ['program'],
  'program-bytes': ['program'],
  'program-net': ['program', 'running'],
  'published-sets': ['budget', 'solve'],
  'slip-finder': ['slips'],
}

/** The tests of core that a room is held to, as they lie in its folder: none can be forgotten. */
const testsOf = (folder) =>
  readdirSync(join(ROOT, 'core', 'test'))
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => file.replace('.test.ts', ''))
    .filter((name) => !(name in LONG) || LONG[name].includes(folder.split('/').at(-1)))

const { values: asked, positionals } = parseArgs({
  allowPositionals: true,
  options: { sample: { type: 'string' }, workers: { type: 'string' } },
})
const [room, ...only] = positionals

/** Lines of a block that is tried whole: long enough for a condition with what it guards. */
const BLOCK = 8

/**
 * Blocks of lines for about so many changes, at equal distances through all files of the room. Code of this house has about
 * one change a line.
 */
function sampled(files, about) {
  const blocks = files.flatMap((file) => {
    const lines = readFileSync(join(ROOT, file), 'utf8').split('\n').length
    return Array.from(
      { length: Math.ceil(lines / BLOCK) },
      (_, at) => `${file}:${at * BLOCK + 1}-${Math.min(lines, (at + 1) * BLOCK)}`,
    )
  })
  const wanted = Math.min(blocks.length, Math.ceil(about / BLOCK))
  return Array.from(
    { length: wanted },
    (_, at) => blocks[Math.floor(((at + 0.5) * blocks.length) / wanted)],
  )
}

const typeScriptIn = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .filter((file) => file.endsWith('.ts') && !file.includes('.test.'))
    .map((file) => `${folder}/${file}`)
    .sort()

function place() {
  const [project, ...inner] = (room ?? '').split('/')
  const folder = join(project, 'src', ...inner)
  if (
    !['core', 'machine', 'contract', 'server', 'client', 'cli'].includes(project) ||
    !existsSync(join(ROOT, folder))
  )
    throw new Trouble(
      `usage: npm run mutants -- ROOM [FILE …] [--sample N] [--workers N], such as core/keyin, contract, server/use-cases, client/data; “${room ?? ''}” is none`,
    )
  return { project, folder }
}

await runScript(async () => {
  const { project, folder } = place()
  await ensureNodeModules()
  const out = join(ROOT, '.pine', 'mutants')
  mkdirSync(out, { recursive: true })
  const report = join(out, `${room.replaceAll('/', '-')}.json`)
  const config = join(out, 'stryker.config.json')
  const whole = only.length > 0 ? only.map((file) => `${folder}/${file}`) : typeScriptIn(folder)
  const files = asked.sample ? sampled(whole, Number(asked.sample)) : whole
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'jest',
      jest: { configFile: 'jest.config.cjs', enableFindRelatedTests: false },
      coverageAnalysis: 'perTest',
      mutate: files,
      // What a person reads is held by its own tests; the names of things are held by the types.
      mutator: { excludedMutations: ['StringLiteral'] },
      ignoreStatic: true,
      concurrency: Number(asked.workers ?? cpus().length),
      timeoutMS: 20_000,
      reporters: ['clear-text', 'json'],
      clearTextReporter: { allowColor: false, reportTests: false, logTests: false },
      jsonReporter: { fileName: report },
      tempDirName: '.pine/stryker',
      ignorePatterns: [
        'docs/screenshots',
        'client/dist',
        'client/.expo',
        'client/public',
        'server/dist',
        'test-results',
        'e2e',
      ],
      allowConsoleColors: false,
    }),
  )
  const stryker = [join(ROOT, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', config]
  const env = {
    ...process.env,
    PINE_JEST_PROJECT: project,
    PINE_JEST_TESTS: project === 'core' ? testsOf(room).join() : '',
    PINE_TRIALS: TRIALS,
  }
  const database = project === 'server' ? await throwAwayDatabase() : undefined
  const child = spawn(process.execPath, stryker, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...env, ...(database && { DATABASE_URL: database.url('postgres') }) },
  })
  const code = await new Promise((resolve) => child.on('close', resolve))
  await database?.stop()
  if (code !== 0) throw new Trouble(`the mutants of ${room} could not be tried`)
  sayTotals(report)
})

async function throwAwayDatabase() {
  await ensureDebianPackages([POSTGRESQL])
  const { startDatabase } = await import('./lib/database.mjs')
  return startDatabase(`${STATE}-mutants`, { fresh: true, durable: false })
}

/** One line for docs/measured.md. */
function sayTotals(report) {
  const { files } = JSON.parse(readFileSync(report, 'utf8'))
  const statuses = Object.values(files).flatMap(({ mutants }) =>
    mutants.map(({ status }) => status),
  )
  const count = (...wanted) => statuses.filter((status) => wanted.includes(status)).length
  const killed = count('Killed', 'Timeout')
  const alive = count('Survived', 'NoCoverage')
  say(
    `| ${room} | ${killed + alive} | ${killed} | ${((100 * killed) / (killed + alive)).toFixed(1)} % |`,
  )
}
