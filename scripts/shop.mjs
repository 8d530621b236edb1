#!/usr/bin/env node
// npm run shop -- add NAME HOST: one more shop in the database of what runs here, asked for by a host of its own.
import { withDatabase } from './lib/backups.mjs'
import { run } from './lib/command.mjs'
import { ensureNodeModules } from './lib/packages.mjs'
import { ROOT } from './lib/paths.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'
import { serverProgram } from './lib/server-program.mjs'

await runScript(async () => {
  const [what, name, host, ...more] = process.argv.slice(2)
  if (what !== 'add' || host === undefined || more.length > 0)
    throw new Trouble(
      'expected npm run shop -- add "NAME" HOST, such as “Larkspur North” north.shop.example',
    )
  await ensureNodeModules()
  const { code, output } = await withDatabase(async (url) =>
    run(process.execPath, [await serverProgram('add-shop'), name, host], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: url },
    }),
  )
  const last = output.trim().split('\n').at(-1) ?? ''
  if (code !== 0) throw new Trouble(last)
  say(`${name} is asked for by ${host.toLowerCase()}, in ten seconds at the latest.`)
  say(
    `Its first lead joins there by this code, which is shown only now and good for a day:  ${JSON.parse(last).code.replace(/^(.{4})/, '$1 ')}`,
  )
})
