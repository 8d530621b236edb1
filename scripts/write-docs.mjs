#!/usr/bin/env node
// npm run docs: writes what of docs/ is made of core's table of fields: the tables of setup-file.md and the JSON schema.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { must, run } from './lib/command.mjs'
import { ROOT } from './lib/paths.mjs'
import { runScript } from './lib/say.mjs'

const SCHEMA = join(ROOT, 'docs/setup-file.schema.json')
const PAGE = join(ROOT, 'docs/setup-file.md')
const bin = (name) => join(ROOT, 'node_modules/.bin', name)

await runScript(async () => {
  writeFileSync(SCHEMA, await must('bin/pine schema', join(ROOT, 'bin/pine'), ['schema']))
  // The test that holds the page to the table writes it, and fails at what it found before.
  await run(bin('jest'), ['--selectProjects', 'contract', '--', 'field-docs'], {
    cwd: ROOT,
    env: { ...process.env, PINE_WRITE_DOCS: '1' },
  })
  await must('formatting', bin('prettier'), ['--write', PAGE, SCHEMA], { cwd: ROOT })
})
