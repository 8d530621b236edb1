#!/usr/bin/env node
// npm run cluster -- demo: the product on three databases that choose by themselves which of them writes, on this machine.
import { join } from 'node:path'
import {
  checkNode,
  checkRoom,
  CLUSTER,
  ensureDebianPackages,
  ensureNodeModules,
} from './lib/packages.mjs'
import { STATE } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'
import { supervise } from './lib/supervise.mjs'

const FOLDER = `${STATE}-cluster`
const USUAL_PORT = 4320
/** Often enough to be seen while somebody kills one of them. */
const LOOK_MS = 2_000

await runScript(async () => {
  const [what, ...more] = process.argv.slice(2)
  if (what !== 'demo' || more.length > 0)
    throw new Trouble(
      `expected npm run cluster -- demo; on machines of a shop's own docs/scale.md says what to set up`,
    )
  checkNode()
  checkRoom()
  await ensureNodeModules({ toRun: true })
  await ensureDebianPackages(CLUSTER)
  const { Cluster } = await import('./lib/cluster.mjs')
  const { buildClient } = await import('./build-client.mjs')
  const { startServer } = await import('./lib/serve.mjs')
  await buildClient()
  say('Starting three databases, and three that vote on which of them writes …')
  const cluster = await Cluster.start(FOLDER)
  let server
  let isStopping = false
  const stop = async () => {
    isStopping = true
    await server?.stop()
    await cluster.stop()
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      say('\nStopping …')
      void stop().then(() => process.exit(0))
    })
  try {
    await cluster.createDatabase('pine')
    await cluster.beginArchive()
    const [databaseUrl, ownerUrl] = [await cluster.serverUrl('pine'), cluster.url('pine')]
    const port = (await freePort(USUAL_PORT)) ?? (await freePort())
    const serve = async () =>
      (server = await startServer({ databaseUrl, ownerUrl, port, demo: true }))
    await serve()
    say(`Pine Compass is ready:  ${server.address}`)
    say('Demo workshop: pick a name, PIN 2468.')
    for (const { name } of cluster.nodes)
      say(`To see it go on, end one:  pkill -KILL -f ${join(FOLDER, name)}`)
    say('Ctrl-C stops all of it.')
    await Promise.race([
      supervise('The server', server, serve, () => isStopping),
      tellChanges(cluster, () => isStopping),
    ])
  } catch (cause) {
    await stop()
    throw cause
  }
})

/** Says which database writes whenever that is another one, and starts again what was ended. */
async function tellChanges(cluster, isOver) {
  let before
  while (!isOver()) {
    const leader = await cluster.leader()
    if (leader !== before)
      say(leader === undefined ? 'None of them writes now.' : `${leader} writes.`)
    before = leader
    for (const name of cluster.places.ended()) {
      say(`${name} ended; starting it again …`)
      cluster.startAgain(name)
    }
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
  }
}
