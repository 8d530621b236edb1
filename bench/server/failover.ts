import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { setTimeout as pause } from 'node:timers/promises'
import { Pair } from '../../scripts/lib/pair.mjs'
import { freePort } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/serve.mjs'
import { Devices } from '../support/devices'
import { benchShop, line, quantile, readBack } from '../support/shop'

// A primary and a synchronous standby, two servers that are told both hosts, the devices of bench/server/faults.ts asking either. The
// primary is killed, the standby promoted, a new standby copied from it, over and over. What was acknowledged must be in the
// database that is left, once, under the name of whoever entered it, in the order of its tab.
// Run: npx tsx bench/server/failover.ts        (TIMES=10)

/** Facts of a round, when the cost of a standby is measured. */
const ALONE = 200
const TIMES = Number(process.env['TIMES'] ?? 10)

const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : '/tmp', 'pine-failover-'))
chmodSync(folder, 0o711)
const pair = await Pair.start(folder)
const shop = await benchShop(pair.primary.url('postgres'))
const servers = await Promise.all(
  [await freePort(), await freePort()].map((port) =>
    startServer({ databaseUrl: pair.url, port, demo: false }),
  ),
)

/** What one fact after the other takes while nobody else enters any, in milliseconds. */
async function alone(): Promise<readonly number[]> {
  const took: number[] = []
  for (let time = 0; time < ALONE; time += 1) {
    const begun = performance.now()
    const answer = await fetch(`${servers[0]!.address}/api/streams/setup/${quiet}/facts`, {
      method: 'POST',
      headers: { Cookie: shop.cookie, 'Content-Type': 'application/json' },
      body: JSON.stringify(readBack()),
    })
    await answer.arrayBuffer()
    if (answer.status !== 201) throw new Error(`the fact was answered with ${answer.status}`)
    took.push(performance.now() - begun)
  }
  return took
}
const quiet = await shop.setUp(shop.example)
const withStandby = [...(await alone()), ...(await alone())]
await pair.standFirm(false)
const without = [...(await alone()), ...(await alone())]
await pair.standFirm(true)

const devices = await Devices.begin(shop, () => servers.map(({ address }) => address))
await shop.close()

const times = { promoted: [] as number[], back: [] as number[], copied: [] as number[] }
for (let time = 0; time < TIMES; time += 1) {
  await pause(1000 + Math.random() * 2000)
  const killed = performance.now()
  await pair.failOver()
  times.promoted.push(performance.now() - killed)
  times.back.push(await devices.back(killed))
  const begun = performance.now()
  await pair.addStandby()
  times.copied.push(performance.now() - begun)
  process.stderr.write(`${time + 1}: back after ${times.back.at(-1)?.toFixed(0)} ms\n`)
}
await devices.end()
await Promise.all(servers.map((server) => server.stop()))

line('what', 'result')
line('---', '---')
const isHeld = await devices.tell(pair.primary.url('postgres'))
for (const [what, values] of Object.entries({
  'killed to promoted': times.promoted,
  'killed to the first acknowledgement': times.back,
  'a new standby copied and in step': times.copied,
}))
  line(
    `${what}, ms: median, slowest of ${TIMES}`,
    `${quantile(values, 0.5).toFixed(0)}, ${Math.max(...values).toFixed(0)}`,
  )
line(
  'one fact with a standby that has it written down, ms: median, 99th of 100',
  `${quantile(withStandby, 0.5).toFixed(1)}, ${quantile(withStandby, 0.99).toFixed(1)}`,
)
line(
  'the same without waiting for it',
  `${quantile(without, 0.5).toFixed(1)}, ${quantile(without, 0.99).toFixed(1)}`,
)
await pair.stop()
rmSync(folder, { recursive: true, force: true })
process.exitCode = isHeld ? 0 : 1
process.exit()
