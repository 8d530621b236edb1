import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ROOT, STATE } from './paths.mjs'
import { end, processesOf } from './processes.mjs'
import { Trouble } from './say.mjs'
import { serverProgram } from './server-program.mjs'

/** Failures that nobody expected, each under the number that the person was told. */
export const LOGS = `${STATE}-run/logs`

/** A word of the server's own command line: by it the next start knows what an earlier one left behind. */
const SERVER = 'pine-server'

/** Ends servers of a start that was killed before it could stop them. */
export async function endLeftServers() {
  for (const pid of processesOf(SERVER, `PINE_RUN=${STATE}`)) await end(pid, 'SIGTERM')
}

/**
 * Starts the server and waits until it listens.
 * @returns {Promise<{address: string, firstCode: string | undefined, demoOnNetwork: boolean, pid: number, stop: () => Promise<void>, ended: Promise<number>}>}
 */
export async function startServer({
  databaseUrl,
  ownerUrl = '',
  port,
  demo,
  clientFolder = join(ROOT, 'client/dist'),
}) {
  const server = spawn(
    process.execPath,
    ['--enable-source-maps', await serverProgram('main'), SERVER],
    {
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl,
        PINE_OWNER_URL: ownerUrl,
        PINE_LOGS: process.env['PINE_LOGS'] ?? LOGS,
        PORT: String(port),
        PINE_CLIENT: clientFolder,
        PINE_DEMO: demo ? '1' : '',
        // By this the next start knows what an earlier one left behind.
        PINE_RUN: STATE,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    },
  )
  const ended = new Promise((resolve) => server.on('close', (code) => resolve(code ?? 1)))
  const stop = async () => {
    server.kill('SIGTERM')
    await ended
  }
  return new Promise((resolve, reject) => {
    let said = ''
    server.stderr.on('data', (chunk) => {
      said += chunk
      process.stderr.write(chunk)
    })
    let printed = ''
    server.stdout.on('data', (chunk) => {
      printed += chunk
      const address = /listening (\S+)\n/.exec(printed)?.[1]
      // Printed before it listens, where nobody is here yet: it lets the first person in.
      const firstCode = /first code (\S+)\n/.exec(printed)?.[1]
      const demoOnNetwork = /demo on the network\n/.test(printed)
      if (address) resolve({ address, firstCode, demoOnNetwork, pid: server.pid, stop, ended })
    })
    void ended.then((code) =>
      reject(
        new Trouble(
          `the server ended with ${code}: ${said.trim().split('\n').at(-1) || 'it printed nothing'}`,
        ),
      ),
    )
  })
}
