#!/usr/bin/env node
// npm test: installs what is missing, runs every check and every test, ends with one line of counts.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './lib/command.mjs'
import {
  checkNode,
  checkRoom,
  CHROMIUM,
  chromiumPath,
  ensureDebianPackages,
  ensureNodeModules,
  POSTGRESQL,
} from './lib/packages.mjs'
import { ROOT, STATE } from './lib/paths.mjs'
import { runScript, say } from './lib/say.mjs'

const WORKSPACES = ['core', 'contract', 'server', 'cli', 'client', 'e2e', 'bench']
const JEST_REPORT = join(ROOT, 'test-results/jest.json')
const BROWSER_REPORT = join(ROOT, 'e2e/test-results/report.json')

const bin = (name) => join(ROOT, 'node_modules/.bin', name)

/** Runs one suite, tells how long it took, and shows what it printed when it failed. */
async function suite(name, command, args, options = {}) {
  const started = Date.now()
  const { code, output } = await run(command, args, { cwd: ROOT, ...options })
  say(
    `${code === 0 ? '  ok  ' : ' FAIL '} ${name} (${Math.round((Date.now() - started) / 1000)} s)`,
  )
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

async function unitTests(databaseUrl) {
  mkdirSync(join(JEST_REPORT, '..'), { recursive: true })
  rmSync(JEST_REPORT, { force: true })
  const { code } = await suite(
    'unit and API tests',
    bin('jest'),
    ['--json', `--outputFile=${JEST_REPORT}`],
    { env: { ...process.env, DATABASE_URL: databaseUrl } },
  )
  const report = existsSync(JEST_REPORT)
    ? JSON.parse(readFileSync(JEST_REPORT, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0 }
  return counted(code, report.numPassedTests, report.numFailedTests)
}

async function browserTests(databaseUrl) {
  rmSync(BROWSER_REPORT, { force: true })
  const { code } = await suite(
    'browser tests',
    bin('playwright'),
    ['test', '-c', 'e2e/playwright.config.ts'],
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

await runScript(async () => {
  checkNode()
  checkRoom()
  await ensureNodeModules()
  await ensureDebianPackages([POSTGRESQL, CHROMIUM])
  const { startDatabase } = await import('./lib/database.mjs')
  const { buildClient } = await import('./build-client.mjs')
  const database = await startDatabase(`${STATE}-test`, { fresh: true, durable: false })
  const results = []
  try {
    // Two at a time: each leaves a core of the usual two to the other.
    const lanes = [
      [
        ['formatting', 'prettier', ['--check', '.', '--log-level', 'warn']],
        ['lint and the one-way import rule', 'eslint', ['.', '--max-warnings', '0']],
      ],
      [
        ['nothing unused or undeclared', 'knip', ['--no-progress']],
        [
          'nothing that only tests use',
          'knip',
          ['--no-progress', '--production', '--include', 'exports'],
        ],
        ...WORKSPACES.map((workspace) => [`types of ${workspace}`, 'tsc', ['-p', workspace]]),
      ],
    ]
    await Promise.all(
      lanes.map(async (lane) => {
        for (const [name, command, args] of lane)
          results.push(await check(name, bin(command), args))
      }),
    )
    results.push(await unitTests(database.url('postgres')))
    await buildClient()
    results.push(await browserTests(database.url('postgres')))
  } finally {
    await database.stop()
  }
  const passed = results.reduce((sum, result) => sum + result.passed, 0)
  const failed = results.reduce((sum, result) => sum + result.failed, 0)
  say(`${passed} passed, ${failed} failed`)
  process.exitCode = failed === 0 && passed > 0 ? 0 : 1
})
