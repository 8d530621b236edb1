#!/usr/bin/env node
// npm run restore -- FILE: puts a copy in the place of the database, which is kept beside it under its date.
import { resolve } from 'node:path'
import { putBack, withDatabase } from './lib/backups.mjs'
import { ensureNodeModules } from './lib/packages.mjs'
import { running } from './lib/run-file.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

await runScript(async () => {
  await ensureNodeModules()
  const [asked] = process.argv.slice(2)
  if (asked === undefined)
    throw new Trouble('expected npm run restore -- FILE, a copy of npm run backup')
  const now = running()
  if (now !== undefined && !process.env['DATABASE_URL'])
    throw new Trouble(
      `Pine Compass runs at ${now.address}: stop it first, nobody may enter meanwhile.`,
    )
  const { content, before } = await withDatabase((url) => putBack(url, resolve(asked)))
  const { facts, records, altered } = content
  say(`Put back: ${facts} facts, ${records} releases.`)
  if (before !== undefined) say(`The database of before is kept as ${before}.`)
  if (altered.length > 0)
    say(`${altered.length} of the releases do not give their hash: they are shown as altered.`)
})
