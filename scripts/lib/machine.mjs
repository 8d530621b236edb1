import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ROOT, STATE } from './paths.mjs'
import { Trouble } from './say.mjs'

/**
 * Starts the simulated machine and waits until it answers.
 * @param {number} port 0 for any
 * @returns {Promise<{address: string, host: string, stop: () => Promise<void>, ended: Promise<number>}>}
 */
export async function startMachine(port) {
  const machine = spawn(
    process.execPath,
    ['--import', 'tsx', join(ROOT, 'machine/src/host/main.ts'), 'pine-machine'],
    {
      cwd: ROOT,
      env: { ...process.env, PINE_MACHINE_PORT: String(port), PINE_RUN: STATE },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  )
  const ended = new Promise((resolve) => machine.on('close', (code) => resolve(code ?? 1)))
  const stop = async () => {
    machine.kill('SIGTERM')
    await ended
  }
  return new Promise((resolve, reject) => {
    let said = ''
    machine.stderr.on('data', (chunk) => (said += chunk))
    let printed = ''
    machine.stdout.on('data', (chunk) => {
      printed += chunk
      const address = /machine at (\S+)\n/.exec(printed)?.[1]
      if (address) resolve({ address, host: new URL(address).host, stop, ended })
    })
    void ended.then((code) =>
      reject(
        new Trouble(`the simulated machine ended with ${code}: ${said.trim().split('\n').at(-1)}`),
      ),
    )
  })
}
