#!/usr/bin/env node
// npm run backup [-- FILE]: a copy of everything that was entered, checked by putting it into a database and reading it
// through. Without FILE it goes to the folder of copies, where the newest of 7 days, 5 weeks and 12 months are kept.
import { join, resolve } from 'node:path'
import { backUp, BACKUPS, backupName, forgetOutlived, withDatabase } from './lib/backups.mjs'
import { ensureNodeModules } from './lib/packages.mjs'
import { runScript, say } from './lib/say.mjs'

await runScript(async () => {
  await ensureNodeModules({ toRun: true })
  const [asked] = process.argv.slice(2)
  const file = asked === undefined ? join(BACKUPS, backupName(new Date())) : resolve(asked)
  const { facts, records, altered } = await withDatabase((url) => backUp(url, file))
  if (asked === undefined) forgetOutlived()
  say(`${file}: ${facts} facts, ${records} releases, read back and checked.`)
  if (altered.length > 0)
    say(
      `${altered.length} of the releases do not give their hash: they were altered before this copy.`,
    )
})
