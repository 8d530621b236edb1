import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from '@playwright/test'

const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')

/** PostgreSQL does not run as root, and its user cannot enter root's folders. */
export const PLACE = process.getuid?.() === 0 ? '/var/tmp' : join(ROOT, '.pine')

/** The command of the README, with a place of its own for its database. */
export class Start {
  said = ''
  private constructor(readonly process: ChildProcess) {
    for (const stream of [process.stdout, process.stderr])
      stream?.on('data', (chunk) => (this.said += chunk))
  }

  static begin(state: string, port: number | string, ...args: string[]): Start {
    return Start.with({ PINE_STATE: state, PORT: String(port) }, ...args)
  }

  /** With settings of its own in the environment. */
  static with(settings: Readonly<Record<string, string>>, ...args: string[]): Start {
    return new Start(
      spawn(process.execPath, ['scripts/start.mjs', ...args], {
        cwd: ROOT,
        env: { ...process.env, DATABASE_URL: '', PINE_COMPRESS: 'quick', ...settings },
        stdio: ['ignore', 'pipe', 'pipe'],
      }),
    )
  }

  async says(words: RegExp): Promise<void> {
    await expect.poll(() => this.said, { timeout: 60_000 }).toMatch(words)
  }

  async end(signal: NodeJS.Signals): Promise<number | null> {
    const ended = new Promise<number | null>((resolve) => this.process.on('exit', resolve))
    this.process.kill(signal)
    return ended
  }
}
