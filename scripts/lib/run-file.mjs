import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { ROOT, RUN_FILE } from './paths.mjs'
import { runsScript } from './processes.mjs'
import { Trouble } from './say.mjs'

/** Who starts, or runs: held from the first moment to the last, so that no two starts end one another's database. */
const LOCK = join(dirname(RUN_FILE), 'start.lock')

const SCRIPT = 'scripts/start.mjs'
const MOST_TRIES = 20

/** Writes a file whole or not at all: whoever reads it never sees half of it. The address of a database has its password in it. */
function writeWhole(file, text) {
  const making = `${file}.${process.pid}`
  writeFileSync(making, text, { mode: 0o600 })
  renameSync(making, file)
}

const readOf = (file) => {
  try {
    return readFileSync(file, 'utf8')
  } catch (cause) {
    if (cause.code === 'ENOENT') return undefined
    throw cause
  }
}

/**
 * Takes the lock, or tells who has it. One whose process is gone, or is another one by now, is taken over.
 * @returns {() => void} gives it back
 */
export function holdStartLock() {
  mkdirSync(dirname(LOCK), { recursive: true, mode: 0o700 })
  const making = `${LOCK}.${process.pid}`
  writeFileSync(making, String(process.pid), { mode: 0o600 })
  try {
    for (let tries = 0; tries < MOST_TRIES; tries += 1) {
      try {
        // Only one of several can: and what is linked is whole.
        linkSync(making, LOCK)
        return () => readOf(LOCK) === String(process.pid) && rmSync(LOCK, { force: true })
      } catch (cause) {
        if (cause.code !== 'EEXIST') throw cause
      }
      const holder = readOf(LOCK)
      if (holder === undefined) continue
      if (runsScript(Number(holder), SCRIPT, ROOT)) throw alreadyRuns(Number(holder))
      takeAway(holder)
    }
    throw new Trouble(`${LOCK} cannot be taken: others start again and again. Try once more.`)
  } finally {
    rmSync(making, { force: true })
  }
}

/** Takes a lock away that nobody holds; where somebody took it over in that moment, they get it back. */
function takeAway(holder) {
  const aside = `${LOCK}.left-${process.pid}`
  try {
    renameSync(LOCK, aside)
  } catch (cause) {
    if (cause.code === 'ENOENT') return
    throw cause
  }
  if (readOf(aside) !== holder)
    try {
      linkSync(aside, LOCK)
    } catch (cause) {
      if (cause.code !== 'EEXIST') throw cause
    }
  rmSync(aside, { force: true })
}

function alreadyRuns(pid) {
  const known = running()
  return new Trouble(
    known === undefined
      ? `Pine Compass is being started already (process ${pid}): wait for it, or stop it with Ctrl-C there.`
      : `Pine Compass already runs at ${known.address} (process ${pid}). Stop it with Ctrl-C there, or use it.`,
  )
}

/** What npm start runs just now, where it does; what cannot be read was left by one that was ended in mid-word. */
export function running() {
  try {
    const known = JSON.parse(readOf(RUN_FILE) ?? 'null')
    return known !== null && runsScript(known.pid, SCRIPT, ROOT) ? known : undefined
  } catch (cause) {
    if (cause instanceof SyntaxError) return undefined
    throw cause
  }
}

export const tellRunning = (known) => writeWhole(RUN_FILE, JSON.stringify(known))

export const forgetRunning = () => rmSync(RUN_FILE, { force: true })
