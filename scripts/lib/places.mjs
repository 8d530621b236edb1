import { spawn } from 'node:child_process'
import { chownSync, closeSync, mkdirSync, openSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { processesOf } from './processes.mjs'

const LONGEST_STOP_MS = 30_000

/** Programs that run side by side, each with a folder of its own under one: what stands for a machine each. */
export class Places {
  /** The process that runs a place, by the name of the place. */
  #running = new Map()

  constructor(folder, owner) {
    this.folder = folder
    this.owner = owner
  }

  start(name, command, args) {
    const out = openSync(join(this.folder, name, 'output.log'), 'a', 0o600)
    const child = spawn(command, args, {
      ...this.owner,
      cwd: '/',
      stdio: ['ignore', out, out],
      detached: true,
    })
    closeSync(out)
    this.#running.set(name, child)
  }

  /** Every process of a place: what keeps it, and the database that it keeps with all of its workers. */
  #processesOf(name) {
    const own = [
      ...processesOf(join(this.folder, name, 'patroni.yml')),
      ...processesOf(join(this.folder, name, 'data')),
    ]
    return [...new Set([...own, ...own.flatMap(childrenOf)])]
  }

  #signal(name, signal) {
    for (const pid of this.#processesOf(name))
      try {
        process.kill(pid, signal)
      } catch {
        // It ended meanwhile.
      }
  }

  /** Ends a place at once, as when its plug is pulled. */
  kill(name) {
    this.#signal(name, 'SIGKILL')
  }

  /** A place goes on or stands still, as when its machine hangs. */
  freeze(name) {
    this.#signal(name, 'SIGSTOP')
  }
  thaw(name) {
    this.#signal(name, 'SIGCONT')
  }

  /** Names of the places that have ended by themselves, or were ended by somebody. */
  ended() {
    return [...this.#running].flatMap(([name, child]) => (isUp(child) ? [] : [name]))
  }

  /** Ends places in order: what has to be written down is, before they go. */
  async stop(names) {
    for (const name of names) {
      this.thaw(name)
      const child = this.#running.get(name)
      if (child !== undefined && isUp(child)) child.kill('SIGTERM')
    }
    const deadline = Date.now() + LONGEST_STOP_MS
    while (names.some((name) => this.#processesOf(name).length > 0) && Date.now() < deadline)
      await pause(100)
    for (const name of names) this.kill(name)
  }
}

const isUp = ({ exitCode, signalCode }) => exitCode === null && signalCode === null

export function makeFolder(folder, owner) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  if (owner.uid !== undefined) chownSync(folder, owner.uid, owner.gid)
}

/** Processes that a process began: a database's workers are told apart from others by it alone. */
function childrenOf(parent) {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const [, after] = readFileSync(`/proc/${name}/stat`, 'utf8').split(/\) \S /)
        return Number(after?.split(' ')[0]) === parent
      } catch {
        return false
      }
    })
    .map(Number)
}
