import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { setTimeout as pause } from 'node:timers/promises'
import { Client } from 'pg'
import { Cluster } from '../../scripts/lib/cluster.mjs'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { CLUSTER, ensureDebianPackages } from '../../scripts/lib/packages.mjs'
import { freePort } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/serve.mjs'
import { Devices } from '../support/devices'
import { Line } from '../support/line'
import { benchShop, line, quantile } from '../support/shop'

// Three databases that choose by themselves which of them writes (npm run cluster -- demo), two servers, five tabs of four devices.
// In random turn a database, one of those that vote, or a line is ended or stands still, for ten minutes. What was acknowledged must
// be there, once, in order; and what the archive restores to seconds of that time must hold all that was acknowledged before them.
// Run: npx tsx bench/server/cluster.ts        (MINUTES=10 SEED=1)

const MINUTES = Number(process.env['MINUTES'] ?? 10)
const RESTORES = 5
/** A frozen database is let go again after it was surely replaced. */
const FROZEN_MS = 26_000
const SILENT_MS = 12_000

await ensureDebianPackages(CLUSTER)
const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : '/tmp', 'pine-cluster-'))
chmodSync(folder, 0o711)
const lines = new Map<number, Line>()
const cluster = await Cluster.start(join(folder, 'cluster'), {
  between: async (port) => {
    const made = await Line.to(port)
    lines.set(port, made)
    return made.port
  },
})
await cluster.createDatabase('pine')
await cluster.beginArchive()
const shop = await benchShop(await cluster.leaderUrl('pine'))
const [databaseUrl, ownerUrl] = [await cluster.serverUrl('pine'), cluster.url('pine')]
const servers = await Promise.all(
  [await freePort(), await freePort()].map((port) =>
    startServer({ databaseUrl, ownerUrl, port, demo: false }),
  ),
)
const devices = await Devices.begin(shop, () => servers.map(({ address }) => address))
await shop.close()

let seed = Number(process.env['SEED'] ?? 1)
/** A number from 0 to below 1, the same for the same seed (Park and Miller 1988, the minimal standard). */
const chance = (): number => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647
const oneOf = <T>(all: readonly T[]): T => all[Math.floor(chance() * all.length)]!

const nodes = cluster.nodes.map(({ name }) => name)
const voters = cluster.voters.map(({ name }) => name)
const lineOf = (name: string): Line =>
  lines.get(cluster.nodes.find((one) => one.name === name)!.port)!
const others = (leader: string) => nodes.filter((name) => name !== leader)

/** Stands still for a while, as when a machine hangs. */
async function frozen(names: readonly string[], ms: number): Promise<void> {
  for (const name of names) cluster.places.freeze(name)
  await pause(ms)
  for (const name of names) cluster.places.thaw(name)
}
async function silent(name: string): Promise<void> {
  lineOf(name).silence()
  await pause(SILENT_MS)
  lineOf(name).speak()
}

/** What is done to the cluster, of which one leads. */
const FAULTS: Readonly<Record<string, (leader: string) => Promise<void> | void>> = {
  'the leader is killed, and soon started again': (leader) => cluster.places.kill(leader),
  'the leader is killed': async (leader) => {
    cluster.places.kill(leader)
    await pause(FROZEN_MS)
  },
  'the leader stands still': (leader) => frozen([leader], FROZEN_MS),
  'the line to the leader is silent': silent,
  'the line to the leader breaks': (leader) => lineOf(leader).break(),
  'a follower is killed': (leader) => cluster.places.kill(oneOf(others(leader))),
  'a follower stands still': (leader) => frozen([oneOf(others(leader))], FROZEN_MS),
  'the line to a follower is silent': (leader) => silent(oneOf(others(leader))),
  'a voter is killed': () => cluster.places.kill(oneOf(voters)),
  'two voters stand still': () => frozen(voters.slice(1), SILENT_MS),
}

const silences = new Map<string, number[]>()
let left: string[] = []
/** Every kind once before any of them comes again, in an order of chance. */
function nextFault(): string {
  if (left.length === 0) left = Object.keys(FAULTS)
  const [next] = left.splice(Math.floor(chance() * left.length), 1)
  return next!
}
const begun = new Date()
const until = performance.now() + MINUTES * 60_000
while (performance.now() < until) {
  await pause(2_000 + chance() * 4_000)
  const what = nextFault()
  const leader = await cluster.leader()
  if (leader === undefined) throw new Error('nobody leads')
  process.stderr.write(`${what} … `)
  const from = performance.now()
  await FAULTS[what]!(leader)
  // Whoever looks after the machines starts again what died; here at once.
  await pause(1_000)
  for (const name of cluster.places.ended()) cluster.startAgain(name)
  await cluster.inStep()
  await devices.back(performance.now())
  const silence = devices.silence(from, performance.now())
  silences.set(what, [...(silences.get(what) ?? []), silence])
  process.stderr.write(`${silence.toFixed(0)} ms without an acknowledgement\n`)
}
await devices.end()
const over = new Date()
await Promise.all(servers.map((server) => server.stop()))

line('what', 'result')
line('---', '---')
let isHeld = await devices.tell(await cluster.leaderUrl('pine'))
for (const [what, times] of silences)
  line(
    `${what} (${times.length}): longest without an acknowledgement, s, median and worst`,
    `${(quantile(times, 0.5) / 1000).toFixed(1)}, ${(Math.max(...times) / 1000).toFixed(1)}`,
  )

// What is written last is pushed when its segment is full, or told to be.
await cluster.sql('SELECT pg_switch_wal(); CHECKPOINT;')
await cluster.archive('check')
for (let time = 0; time < RESTORES; time += 1) {
  const moment = new Date(begun.getTime() + chance() * (over.getTime() - begun.getTime()))
  const wanted = devices.acknowledged.filter(({ on }) => on <= moment).map(({ id }) => id)
  const place = join(folder, `restored-${time}`)
  await cluster.restore(place, moment)
  const restored = await startDatabase(place)
  const client = new Client({ connectionString: restored.url('pine') })
  await client.connect()
  // It answers as soon as it is sound, and only later with all that was asked for.
  while ((await client.query('SELECT pg_is_in_recovery() AS still')).rows[0].still) await pause(100)
  const { rows } = await client.query<{ id: string }>(
    'SELECT id FROM fact WHERE id = ANY($1::uuid[])',
    [wanted],
  )
  await client.end()
  await restored.stop()
  rmSync(place, { recursive: true, force: true })
  isHeld &&= rows.length === wanted.length
  line(
    `restored to ${((moment.getTime() - begun.getTime()) / 1000).toFixed(0)} s after the beginning: acknowledged before, of them there`,
    `${wanted.length}, ${rows.length}`,
  )
}
await cluster.stop()
for (const one of lines.values()) one.end()
rmSync(folder, { recursive: true, force: true })
process.exitCode = isHeld ? 0 : 1
process.exit()
