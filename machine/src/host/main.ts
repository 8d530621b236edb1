import { randomUUID } from 'node:crypto'
import { serveAgent } from './agent-server'
import { StandIn } from '../stand-in'
import { workshopMill } from '../workshop/workshop-mill'

/** `npm run machine`: a simulated mill on this computer alone, with an agent that tells of it. */
const port = Number(process.env['PINE_MACHINE_PORT'] ?? '5000')
const seed = Number(process.env['PINE_MACHINE_SEED'] ?? '1')
const agent = await serveAgent(new StandIn(workshopMill(), seed), {
  port,
  uuid: process.env['PINE_MACHINE_UUID'] ?? randomUUID(),
  instance: Math.floor(Date.now() / 1000),
  now: () => new Date(),
})
process.stdout.write(`machine at http://127.0.0.1:${agent.port}\n`)
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void agent.close().then(() => process.exit(0)))
