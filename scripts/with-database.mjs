#!/usr/bin/env node
// Runs a command with DATABASE_URL set to a throw-away database: node scripts/with-database.mjs npx jest
import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { startDatabase } from './lib/database.mjs'
import { ensureDebianPackages, POSTGRESQL } from './lib/packages.mjs'
import { STATE } from './lib/paths.mjs'
import { runScript, Trouble } from './lib/say.mjs'

await runScript(async () => {
  const [command, ...args] = process.argv.slice(2)
  if (command === undefined)
    throw new Trouble('usage: node scripts/with-database.mjs COMMAND [ARGUMENT …]')
  await ensureDebianPackages([POSTGRESQL])
  // A folder of its own: this may run beside npm test, or beside itself.
  const folder = `${STATE}-scratch-${process.pid}`
  const database = await startDatabase(folder, { durable: false })
  const child = spawn(command, args, {
    stdio: 'inherit',
    env: { ...process.env, DATABASE_URL: database.url('postgres') },
  })
  // Whoever ends this ends the command, and with it the database: nothing is left running.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal))
  const code = await new Promise((resolve) => child.on('close', resolve))
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
  process.exitCode = code ?? 1
})
