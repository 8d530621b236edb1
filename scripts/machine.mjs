#!/usr/bin/env node
// npm run machine: a simulated mill on this computer alone, that tells of itself as a machine's agent does (docs/machine.md).
import { startMachine } from './lib/machine.mjs'
import { runScript, say } from './lib/say.mjs'

await runScript(async () => {
  const machine = await startMachine(Number(process.env.PINE_MACHINE_PORT ?? 5000))
  say(`${machine.address} tells of it. Ctrl-C ends it.`)
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.once(signal, () => void machine.stop().then(() => process.exit(0)))
  await machine.ended
})
