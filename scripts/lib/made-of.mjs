import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

function* filesIn(path) {
  const absolute = join(ROOT, path)
  if (!existsSync(absolute)) return
  if (statSync(absolute).isFile()) return yield path
  for (const name of readdirSync(absolute).sort()) yield* filesIn(`${path}/${name}`)
}

/** A hash of the names and contents of these files and folders of the project: what was built from them is built anew when it differs. */
export function madeOf(parts) {
  const hash = createHash('sha256')
  for (const path of parts.flatMap((part) => [...filesIn(part)]))
    hash.update(path).update(readFileSync(join(ROOT, path)))
  return hash.digest('hex')
}
