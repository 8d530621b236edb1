import { readdirSync, readFileSync, readlinkSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'

/** Processes are asked to end, and after this long made to. */
const PATIENCE_MS = 12_000

const read = (pid, what) => {
  try {
    return readFileSync(`/proc/${pid}/${what}`, 'utf8').split('\0')
  } catch {
    // It ended meanwhile, is another user's, or this is no Linux.
    return []
  }
}

/**
 * Processes of this machine that are surely meant: by a word of their command line and by a setting in their
 * environment. A number that was written down may belong to another process by now; these cannot.
 */
export function processesOf(word, setting) {
  let all = []
  try {
    all = readdirSync('/proc').filter((name) => /^\d+$/.test(name))
  } catch {
    // No Linux: nothing can be said for sure, and nothing is ended.
  }
  return all
    .map(Number)
    .filter(
      (pid) =>
        pid !== process.pid &&
        read(pid, 'cmdline').includes(word) &&
        (setting === undefined || read(pid, 'environ').includes(setting)),
    )
}

/** Whether a process runs this script of this folder, and is not another one with its number. */
export function runsScript(pid, script, folder) {
  try {
    return (
      readlinkSync(`/proc/${pid}/cwd`) === folder &&
      read(pid, 'cmdline').some((word) => word.endsWith(script))
    )
  } catch {
    return false
  }
}

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (cause) {
    return cause.code === 'EPERM'
  }
}

/** Ends a process with a signal, and where that does not help in time, without one. */
export async function end(pid, signal) {
  process.kill(pid, signal)
  const deadline = Date.now() + PATIENCE_MS
  while (isAlive(pid)) {
    if (Date.now() > deadline) process.kill(pid, 'SIGKILL')
    await pause(100)
  }
}
