#!/usr/bin/env node
// npm test: installs what is missing, runs every check and every test, ends with one line of counts.
// npm test -- --changed: of that only what the files that differ from the last commit touch.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { must, run } from './lib/command.mjs'
import {
  checkNode,
  checkRoom,
  CHROMIUM,
  chromiumPath,
  ensureDebianPackages,
  ensureNodeModules,
  POSTGRESQL,
  XMLLINT,
} from './lib/packages.mjs'
import { ROOT, STATE } from './lib/paths.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

/** Sources that import each other; the rest only imports them. */
const SOURCES = ['core', 'machine', 'contract', 'formats', 'server', 'cli', 'client'].map(
  (name) => `${name}/src`,
)
/** What was found out of a file that has not changed since is not found out again. */
const cache = (name) => join(ROOT, 'node_modules/.cache', name)
const JEST_REPORT = join(ROOT, 'test-results/jest.json')
const BROWSER_REPORT = join(ROOT, 'e2e/test-results/report.json')

const BY_CONTENT = ['--cache', '--cache-strategy', 'content', '--cache-location']
const FORMATTING = ['--check', '--log-level', 'warn', ...BY_CONTENT, cache('formatting.json')]
const LINT = ['--max-warnings', '0', ...BY_CONTENT, cache('lint.json')]

const bin = (name) => join(ROOT, 'node_modules/.bin', name)

/** What has run, and how long it took: told together at the end. */
const parts = []

async function timed(name, work) {
  const started = Date.now()
  const result = await work()
  parts.push({ name, seconds: Math.round((Date.now() - started) / 1000) })
  return result
}

/** Runs one suite, and shows what it printed when it failed. */
async function suite(name, command, args, options = {}) {
  const { code, output } = await timed(name, () => run(command, args, { cwd: ROOT, ...options }))
  say(`${code === 0 ? '  ok  ' : ' FAIL '} ${name}`)
  if (code !== 0) say(output)
  return { code, output }
}

/** A check that is one test: it passed or it did not. */
async function check(name, command, args) {
  const { code } = await suite(name, command, args)
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 }
}

/** Counts by a report; a runner that fails without a failed test (it could not start) counts as one. */
function counted(code, passed, failed) {
  return { passed, failed: code !== 0 && failed === 0 ? 1 : failed }
}

async function unitTests(databaseUrl, some) {
  mkdirSync(join(JEST_REPORT, '..'), { recursive: true })
  rmSync(JEST_REPORT, { force: true })
  const { code } = await suite(
    'unit and API tests',
    bin('jest'),
    // Of itself it leaves a core to whoever watches; here nobody does.
    ['--maxWorkers=2', '--json', `--outputFile=${JEST_REPORT}`, ...some],
    { env: { ...process.env, DATABASE_URL: databaseUrl } },
  )
  const report = existsSync(JEST_REPORT)
    ? JSON.parse(readFileSync(JEST_REPORT, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0 }
  return counted(code, report.numPassedTests, report.numFailedTests)
}

async function browserTests(databaseUrl, specs) {
  rmSync(BROWSER_REPORT, { force: true })
  const { code } = await suite(
    'browser tests',
    bin('playwright'),
    ['test', '-c', 'e2e/playwright.config.ts', ...specs],
    { env: { ...process.env, DATABASE_URL: databaseUrl, PINE_CHROMIUM: chromiumPath() } },
  )
  const { stats, suites } = existsSync(BROWSER_REPORT)
    ? JSON.parse(readFileSync(BROWSER_REPORT, 'utf8'))
    : { stats: { expected: 0, unexpected: 0, flaky: 0, skipped: 0 }, suites: [] }
  for (const title of triedAgain(suites)) say(`  passed when it was tried again: ${title}`)
  return counted(code, stats.expected + stats.flaky, stats.unexpected + stats.skipped)
}

/** The browser tests that failed once: which those are tells a test that is ill from a machine that was busy. */
const triedAgain = (suites) =>
  suites.flatMap(({ file, specs = [], suites: inner = [] }) => [
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
      .map(({ title }) => `${file}, ${title}`),
    ...triedAgain(inner),
  ])

/** Files that differ from the last commit, of those that a tool looks at. */
async function changedFiles() {
  const list = async (...args) =>
    (await must('asking git', 'git', args, { cwd: ROOT })).split('\n').filter((name) => name !== '')
  const names = [
    ...(await list('diff', '--name-only', '--diff-filter=d', 'HEAD')),
    ...(await list('ls-files', '--others', '--exclude-standard')),
  ]
  return {
    names,
    code: names.filter((name) => /\.(ts|tsx|mjs|cjs)$/.test(name)),
    specs: names.filter((name) => /^e2e\/tests\/.*\.spec\.ts$/.test(name)),
  }
}

const TYPES = ['types', 'tsc', ['--build', '--pretty', 'false']]

/** What has to do with every file, in two lanes: each leaves a core of the usual two to the other. */
const everything = () => [
  [
    () => check('formatting', bin('prettier'), [...FORMATTING, '.']),
    () => check('lint and the one-way import rule', bin('eslint'), [...LINT, '.']),
  ],
  [
    ...[
      TYPES,
      ['nothing unused or undeclared', 'knip', ['--no-progress']],
      [
        'nothing that only tests use',
        'knip',
        ['--no-progress', '--production', '--include', 'exports'],
      ],
      ['no two files that need each other', 'depcruise', ['--output-type', 'err', ...SOURCES]],
    ].map(
      ([name, command, args]) =>
        () =>
          check(name, bin(command), args),
    ),
    () => build(),
  ],
]

/** The checks of what differs from the last commit. */
const ofChanged = ({ names, code }) => [
  [
    () => check('formatting', bin('prettier'), [...FORMATTING, '--ignore-unknown', ...names]),
    ...(code.length === 0
      ? []
      : [() => check('lint', bin('eslint'), [...LINT, '--no-warn-ignored', ...code])]),
  ],
  [() => check(TYPES[0], bin(TYPES[1]), TYPES[2])],
]

async function build() {
  const { buildClient } = await import('./build-client.mjs')
  await timed('the client is built', buildClient)
  return { passed: 0, failed: 0 }
}

await runScript(async () => {
  checkNode()
  checkRoom()
  await ensureNodeModules()
  await ensureDebianPackages([POSTGRESQL, CHROMIUM, XMLLINT])
  const { startDatabase } = await import('./lib/database.mjs')
  const changed = process.argv.includes('--changed') ? await changedFiles() : undefined
  if (changed?.names.length === 0) throw new Trouble('nothing differs from the last commit')
  const database = await startDatabase(`${STATE}-test`, { fresh: true, durable: false })
  const results = []
  try {
    await Promise.all(
      (changed ? ofChanged(changed) : everything()).map(async (lane) => {
        for (const part of lane) results.push(await part())
      }),
    )
    results.push(
      await unitTests(
        database.url('postgres'),
        changed ? ['--onlyChanged', '--passWithNoTests'] : [],
      ),
    )
    if (changed === undefined || changed.specs.length > 0) {
      if (changed) await build()
      results.push(await browserTests(database.url('postgres'), changed?.specs ?? []))
    }
  } finally {
    await database.stop()
  }
  say(
    `\n${parts.map(({ name, seconds }) => `${String(seconds).padStart(5)} s  ${name}`).join('\n')}`,
  )
  if (changed) say('only what differs from the last commit; npm test runs all of it')
  const passed = results.reduce((sum, result) => sum + result.passed, 0)
  const failed = results.reduce((sum, result) => sum + result.failed, 0)
  say(`${passed} passed, ${failed} failed`)
  process.exitCode = failed === 0 && passed > 0 ? 0 : 1
})
