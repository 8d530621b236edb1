#!/usr/bin/env node
// bin/pine archive FILE, bin/pine restore FILE: the whole shop as one open file (docs/formats.md), checked when it is put back.
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { withDatabase } from './lib/backups.mjs'
import { run } from './lib/command.mjs'
import { ensureNodeModules } from './lib/packages.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'
import { serverProgram } from './lib/server-program.mjs'

await runScript(async () => {
  const [what, asked] = process.argv.slice(2)
  if (asked === undefined || !['archive', 'restore'].includes(what))
    throw new Trouble('Say which file: bin/pine archive FILE, or bin/pine restore FILE.')
  const file = resolve(asked)
  if (what === 'archive' && existsSync(file))
    throw new Trouble(`${file} is there already: say another name, or move it away.`)
  if (what === 'restore' && !existsSync(file)) throw new Trouble(`There is no ${file}.`)
  await ensureNodeModules({ toRun: true })
  const program = await serverProgram('archive')
  const { code, output } = await withDatabase((url) =>
    run(process.execPath, [program, what, file], { env: { ...process.env, DATABASE_URL: url } }),
  )
  if (code !== 0) throw new Trouble(output.trim())
  say(what === 'archive' ? `${file} holds everything of the shop.` : output.trim())
})
